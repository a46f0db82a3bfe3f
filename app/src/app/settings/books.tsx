import { later } from '../../ui';

export default later('the lists', async () => (await import('../../forms')).BooksScreen);

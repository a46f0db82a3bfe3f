export { YardScreen as default } from '../yard/YardScreen';

export { DecideScreen as default } from '../../work/DecideScreen';

export { WalkEndScreen as default } from '../../../walk/WalkEndScreen';

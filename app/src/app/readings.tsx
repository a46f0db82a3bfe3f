export { ReadingsScreen as default } from '../readings/ReadingsScreen';

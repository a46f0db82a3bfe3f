export { SheetScreen as default } from '../../../specs/SheetScreen';

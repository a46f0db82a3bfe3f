export { ChangeoverScreen as default } from '../../machine/ChangeoverScreen';

export { CrewScreen as default } from '../../crew/CrewScreen';

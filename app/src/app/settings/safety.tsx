export { SafetyScreen as default } from '../../settings/SafetyScreen';

export { ForecastScreen as default } from '../insight/ForecastScreen';

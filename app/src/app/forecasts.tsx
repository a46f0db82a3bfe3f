import { later } from '../ui';

export default later(
  'the forecasts',
  async () => (await import('../board/planning')).ForecastScreen,
);

import { later } from '../../ui';

/** Photos are loaded where a check is open, not by who looks at the Yard. */
export const PhotoStrip = later('photos', async () => (await import('./PhotoStrip')).PhotoStrip);

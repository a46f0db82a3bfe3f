import { later } from '../ui';

/** What operators said, and the links to their card: loaded where they are shown. */
export const SaidCards = later(
  'what the operator says',
  async () => (await import('../walk/underWay')).SaidCards,
);
export const CardLinks = later(
  'the operator’s card',
  async () => (await import('../card/CardLinks')).CardLinks,
);

/**
 * A short code made of a name: small letters, digits and single dashes.
 * @param otherwise what it is when nothing of the name can be used
 */
export const slugOf = (name: string, otherwise: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 50)
    .replace(/^-+|-+$/g, '') || otherwise;

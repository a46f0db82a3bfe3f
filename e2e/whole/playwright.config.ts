import usual from '../playwright.config';

/** The long walks, which are no part of the browser tests. */
export default { ...usual, testDir: '.', testIgnore: [], reporter: [['list']] };

/** Nothing is painted in a page that is put away, ms. */
const UNSEEN = 100;

/** Resolves when what was just changed has been painted. */
export const painted = (): Promise<void> =>
  new Promise((done) => {
    const late = setTimeout(done, UNSEEN);
    requestAnimationFrame(() =>
      setTimeout(() => {
        clearTimeout(late);
        done();
      }),
    );
  });

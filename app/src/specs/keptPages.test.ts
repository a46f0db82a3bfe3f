import { local } from '../store';
import { answering } from '../testing/answering';
import { keepPages, pageShown } from './keptPages';

const ID = ['11111111-1111-4111-8111-111111111111', '22222222-2222-4222-8222-222222222222'];
const page = (i: number, more = {}) => ({
  id: ID[i],
  model: 'Ouzel 7',
  name: `page ${i + 1}`,
  checks: [],
  mime: 'application/pdf',
  bytes: 100,
  by: 'Rhea',
  at: '2026-06-09T08:00:00Z',
  ...more,
});

let listed: object[] = [];
let signal = true;
const asked: string[] = [];

beforeEach(async () => {
  await local.kept.clear();
  listed = [page(0), page(1)];
  signal = true;
  asked.length = 0;
  answering((path) => {
    if (!signal) return undefined;
    asked.push(path);
    const one = ID.findIndex((id) => path.endsWith(id));
    return { body: one < 0 ? { pages: listed } : { ...page(one), data: 'JVBERg==' } };
  });
});
afterAll(() => local.close());

const contents = () => asked.filter((url) => !/pages$/.test(url)).length;

describe('pages of the book, kept for where there is no signal', () => {
  test('all of a walk’s models are kept, each asked for once', async () => {
    expect(await keepPages(['Ouzel 7'])).toEqual({ kept: 2, all: 2 });
    expect(contents()).toBe(2);
    await keepPages(['Ouzel 7']);
    expect(contents()).toBe(2);
    signal = false;
    expect(await pageShown(ID[1] as string)).toMatchObject({ name: 'page 2', data: 'JVBERg==' });
  });
  test('one that was opened is kept from then on', async () => {
    await pageShown(ID[0] as string);
    signal = false;
    expect(await pageShown(ID[0] as string)).toMatchObject({ name: 'page 1' });
    await expect(pageShown(ID[1] as string)).rejects.toThrow();
  });
  test('one taken out of its sheet is forgotten; those of other models stay', async () => {
    await keepPages(['Ouzel 7']);
    await local.kept.put({
      path: `/pages/other`,
      answer: page(0, { model: 'Tarn 7' }),
      at: '2026-06-09T08:00:00Z',
    });
    listed = [page(1)];
    expect(await keepPages(['Ouzel 7'])).toEqual({ kept: 1, all: 1 });
    signal = false;
    await expect(pageShown(ID[0] as string)).rejects.toThrow();
    expect(await local.kept.get('/pages/other')).toBeDefined();
  });
  test('what there is no room for is not fetched, and that is said', async () => {
    listed = [page(0, { bytes: 70_000_000 }), page(1)];
    expect(await keepPages(['Ouzel 7'])).toEqual({ kept: 1, all: 2 });
    expect(contents()).toBe(1);
  });
});

import { sheets } from '../testing/shipped';
import { cropsOf, settingsToMove, type Outfit } from './index';

const machine = {
  model: 'Ouzel 7',
  serial: 'T1',
  builtOn: '2021-03-01',
  header: { model: 'Merle 10', serial: 'H1' },
  equipment: {},
};
const all = [sheets.ouzel7, sheets.merle10, sheets.merle12];
const barley: Outfit = { crop: 'malting barley', header: 'Merle 10' };
const move = (to: Outfit, from: Outfit = barley) => settingsToMove(machine, all, from, to);
const said = (moves: ReturnType<typeof move>) =>
  Object.fromEntries(moves.map((m) => [m.check.id, [m.from, m.to]]));

describe('settings to move', () => {
  test('between two crops: only those that differ, with what they stand at', () => {
    const moves = said(move({ ...barley, crop: 'lentils' }));
    expect(moves['crop-spacers']).toEqual(['fitted', 'stored']);
    expect(moves['flex-pin']).toEqual(['rigid', 'flex']);
    expect(moves['drum-height']).toEqual(['high', 'low']);
    expect(moves['rotor-range']).toEqual(['high', 'low']);
    expect(moves).not.toHaveProperty('chopper-speed');
  });
  test('to the same crop and header: none', () => expect(move(barley)).toEqual([]));
  test('there and back again is the same list turned round', () => {
    const there = said(move({ ...barley, crop: 'lentils' }));
    const back = said(move(barley, { ...barley, crop: 'lentils' }));
    expect(back).toEqual(
      Object.fromEntries(Object.entries(there).map(([id, [from, to]]) => [id, [to, from]])),
    );
  });
  test('another header: its own settings from wherever they stand, the combine’s for it', () => {
    const moves = said(move({ crop: 'maize', header: 'Merle 12' }));
    expect(moves['snouts']).toEqual([undefined, 'low']);
    expect(moves['concave-type']).toEqual(['small wire', 'round bar']);
    expect(moves).not.toHaveProperty('flex-pin');
  });
  test('the header decides where the crop does not: drum height, both in one', () => {
    const low = { crop: 'malting barley', header: undefined };
    expect(said(move({ ...low, header: 'Merle 12' }, low))['drum-height']).toEqual(['low', 'high']);
  });
  test('a crop that no sheet knows says that somebody has to decide', () => {
    const moves = said(move({ ...barley, crop: 'poppies' }));
    expect(moves['crop-spacers']).toEqual(['fitted', undefined]);
  });
  test('front to back, and what is read in one position together', () => {
    const moves = move({ ...barley, crop: 'lentils' });
    const stations = moves.map((m) => m.check.station);
    expect(stations).toEqual([...stations].sort((a, b) => a - b));
    const hood = moves.map((m) => m.check.position.startsWith('Rear hood'));
    expect(hood.lastIndexOf(true) - hood.indexOf(true)).toBe(hood.filter(Boolean).length - 1);
  });
  test('crops are those that the sheets know', () =>
    expect(cropsOf([sheets.ouzel7])).toEqual([
      'grain sorghum',
      'lentils',
      'maize',
      'malting barley',
    ]));
});

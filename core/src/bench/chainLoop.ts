import {
  centreDistance,
  extraLength,
  loopPitches,
  sagAt,
  slackTension,
  tipDiameter,
  usualMovement,
} from '../sprockets';
import { InputError } from '../units';
import type { BenchSection } from './bench';
import type { ChainField } from './chainFields';
import { amount, force, length, n } from './numbers';

export const LOOP: BenchSection<ChainField> = {
  id: 'loop',
  short: 'Loop',
  title: 'Loop and centre distance',
  about: 'How many pitches go round, and where the shafts stand for a whole number of them.',
  fields: ['pitch', 'large', 'small', 'centre'],
  work: (given) => {
    const [p, C] = [given.need('pitch'), given.need('centre')];
    const [z1, z2] = [given.need('large'), given.need('small')];
    if (C <= (tipDiameter(p, z1) + tipDiameter(p, z2)) / 2)
      throw new InputError(
        'centre',
        C,
        `a centre distance above ${n((tipDiameter(p, z1) + tipDiameter(p, z2)) / 2, 1)} mm: the sprockets touch`,
      );
    const exact = loopPitches(p, z1, z2, C);
    const even = 2 * Math.round(exact / 2);
    const counts = [...new Set([Math.floor(exact), Math.ceil(exact), even])].sort((a, b) => a - b);
    return [
      amount('Pitches at this distance', exact, '', {
        ...{ decimals: 3, formula: '2C/p + (z₁ + z₂)/2 + ((z₁ − z₂)/2π)²·p/C' },
        numbers: `2·${n(C)}/${n(p)} + (${z1} + ${z2})/2 + ((${z1} − ${z2})/2π)²·${n(p)}/${n(C)}`,
      }),
      ...counts.map((count) =>
        length(`Centre distance for ${count}`, centreDistance(p, z1, z2, count), {
          ...{ decimals: 2, formula: 'the same, solved for C', numbers: `N = ${count}` },
          ...(count % 2 ? { says: 'an odd number needs an offset link' } : {}),
        }),
      ),
    ];
  },
};

export const SAG: BenchSection<ChainField> = {
  id: 'sag',
  short: 'Sag',
  title: 'Sag and tension',
  about: 'What hangs through tells how tight the slack strand is.',
  fields: ['span', 'weight', 'sag', 'wanted'],
  work: (given) => {
    const [s, w] = [given.need('span'), given.need('weight')];
    const wanted = given.maybe('wanted');
    const f = wanted === undefined ? given.need('sag') : 1000 * sagAt(w, s / 1000, wanted);
    if (f > s / 4)
      throw new InputError(
        wanted === undefined ? 'sag' : 'wanted',
        f,
        wanted === undefined
          ? `at most a quarter of the span, ${n(s / 4, 0)} mm`
          : 'more tension: so little lets it hang to more than a quarter of the span',
      );
    const level = usualMovement(s, 'level');
    const steep = usualMovement(s, 'steep');
    return [
      ...(wanted === undefined
        ? [
            force('Tension of the slack strand', slackTension(w, s / 1000, f / 1000), {
              formula: 'w·s² / (8·f)',
              numbers: `${n(w)} · ${n(s / 1000)}² / (8 · ${n(f / 1000)})`,
            }),
          ]
        : [
            length('Sag at that tension', f, {
              ...{ formula: 'w·s² / (8·H)' },
              numbers: `${n(w)} · ${n(s / 1000)}² / (8 · ${n(wanted)})`,
            }),
          ]),
      length('Chain it takes beyond the straight', extraLength(s, f), {
        ...{ decimals: 3, formula: '8·f² / (3·s)', numbers: `8 · ${n(f)}² / (3 · ${n(s)})` },
      }),
      length('Usual movement, level drive', level, {
        ...{ formula: 'shop rule: 4 % of the span, up and down together' },
        numbers: `4 % · ${n(s)}`,
      }),
      length('Usual movement, steep drive', steep, {
        ...{ formula: 'shop rule: 2 % of the span, up and down together' },
        numbers: `2 % · ${n(s)}`,
      }),
    ];
  },
};

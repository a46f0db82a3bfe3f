import { judgeTooth } from '../sprockets';
import { leaveOrRenew, seasonHours } from '../forecast';
import { InputError } from '../units';
import type { Bench, BenchField } from './bench';
import { hours, millimetres, money, percent } from './fields';
import { amount, n, named } from './numbers';

const leaveFields = {
  chance: percent('Chance that it stops in season', 'P', '30'),
  stopHours: hours('Hours it would stand', 't', '6'),
  perHour: money('An hour of harvest costs', 'c', '650'),
  collateral: money('What it breaks with it', 'b', '700'),
  fieldLabour: money('Labour in the field', 'ℓ', '150'),
  part: money('The part', 'p', '310'),
  shopLabour: money('Labour in the shop', 'w', '160'),
  lifeLeft: percent('Of its life is left', 'λ', '20'),
  discount: percent('Cheaper after harvest by', 'd', '0', { high: 99 }),
} satisfies Record<string, BenchField>;

/** Leave it or renew it now. */
export const LEAVE_BENCH: Bench<keyof typeof leaveFields> = {
  id: 'leave',
  title: 'Leave or renew',
  about: 'Both sums beside each other; a person decides.',
  fields: leaveFields,
  sections: [
    {
      id: 'sums',
      short: 'Sums',
      title: 'Both sums',
      about: 'What leaving it is likely to cost, and what renewing it now costs more than later.',
      fields: Object.keys(leaveFields) as (keyof typeof leaveFields)[],
      work: ({ need }) => {
        const costs = {
          chance: need('chance') / 100,
          stopHours: need('stopHours'),
          costPerStopHour: need('perHour'),
          collateral: need('collateral'),
          fieldLabour: need('fieldLabour'),
          part: need('part'),
          shopLabour: need('shopLabour'),
          lifeLeft: need('lifeLeft') / 100,
          discount: need('discount') / 100,
        };
        const sums = named(() => leaveOrRenew(costs), { costPerStopHour: 'perHour' });
        const cheaper = (side: 'leave' | 'renew') =>
          sums.better === side ? { says: 'cheaper', tone: 'good' as const } : {};
        return [
          amount('Leave it', sums.leave, '', {
            ...{ decimals: 0, formula: 'P · (t·c + b + ℓ)' },
            numbers: `${n(costs.chance)} · (${n(costs.stopHours)} · ${n(costs.costPerStopHour)} + ${n(costs.collateral)} + ${n(costs.fieldLabour)})`,
            ...cheaper('leave'),
          }),
          amount('Renew it now', sums.renew, '', {
            ...{ decimals: 0, formula: '(p + w) · (1 − (1 − d)·(1 − λ))' },
            numbers: `(${n(costs.part)} + ${n(costs.shopLabour)}) · (1 − (1 − ${n(costs.discount)}) · (1 − ${n(costs.lifeLeft)}))`,
            ...cheaper('renew'),
          }),
          ...(Number.isFinite(sums.breakEven)
            ? [
                amount('Even at a chance of', 100 * sums.breakEven, '%', {
                  ...{ decimals: 1, formula: 'renew / (t·c + b + ℓ)' },
                  numbers: `${n(sums.renew)} / (${n(costs.stopHours)} · ${n(costs.costPerStopHour)} + ${n(costs.collateral)} + ${n(costs.fieldLabour)})`,
                  ...(sums.breakEven > 1 ? { says: 'renewing now is never cheaper' } : {}),
                }),
              ]
            : []),
        ];
      },
    },
  ],
};

const hoursFields = {
  area: {
    ...{ label: 'Area', symbol: 'A', dimension: 'area', unit: 'ha', usual: '520' },
    ...{ low: 0.1, high: 100_000, step: 10 },
  },
  width: {
    ...{ label: 'Working width', symbol: 'b', dimension: 'length', unit: 'm', usual: '10.7' },
    ...{ low: 0.5, high: 25, step: 0.1 },
  },
  speed: {
    ...{ label: 'Speed', symbol: 'v', dimension: 'speed', unit: 'km/h', usual: '6.2' },
    ...{ low: 0.5, high: 20, step: 0.1 },
  },
  efficiency: percent('Of the time spent cutting', 'η', '72', { low: 1 }),
} satisfies Record<string, BenchField>;

/** Hours a machine will thresh this season. */
export const HOURS_BENCH: Bench<keyof typeof hoursFields> = {
  id: 'hours',
  title: 'Season hours',
  about: 'How long a machine will thresh this season.',
  fields: hoursFields,
  sections: [
    {
      id: 'season',
      short: 'Season',
      title: 'Hours of the season',
      about: 'Area over what is cut in an hour.',
      fields: ['area', 'width', 'speed', 'efficiency'],
      work: ({ need }) => {
        const [A, b, v, share] = [
          need('area'),
          need('width') / 1000,
          need('speed'),
          need('efficiency') / 100,
        ];
        const t = named(() => seasonHours(A, b, v, share), {
          ...{ areaHa: 'area', widthM: 'width', speedKmh: 'speed' },
        });
        return [
          amount('Season', t, 'h', {
            ...{ decimals: 1, formula: 'A / (b·v·η / 10)' },
            numbers: `${n(A)} / (${n(b)} · ${n(v)} · ${n(share)} / 10)`,
          }),
          amount('Cut in an hour', A / t, 'ha/h', {
            ...{ formula: 'b·v·η / 10', numbers: `${n(b)} · ${n(v)} · ${n(share)} / 10` },
          }),
        ];
      },
    },
  ],
};

const tooth = { low: 0.1, high: 200, step: 0.1 };
const toothFields = {
  nominal: millimetres('Tooth when new', 't₀', '8', tooth),
  limit: millimetres('Tooth at its limit', 't₁', '6.5', tooth),
  measured: millimetres('Tooth now', 't', '7.1', tooth),
  pairFrom: percent('New chain wants less wear than', 'w₀', '50', { rule: true }),
} satisfies Record<string, BenchField>;

/** Worn less than this is no wear: it was measured at another place. */
const THICKER = -0.1;

/** A sprocket's tooth. */
export const SPROCKET_BENCH: Bench<keyof typeof toothFields> = {
  id: 'sprocket',
  title: 'Sprocket',
  about: 'How worn its teeth are, and whether a new chain may run on them.',
  fields: toothFields,
  sections: [
    {
      id: 'tooth',
      short: 'Tooth',
      title: 'The tooth',
      about: 'Thickness left, or the hook grown, against its limit.',
      fields: ['nominal', 'limit', 'measured', 'pairFrom'],
      work: ({ need }) => {
        const [t0, t1, t, pair] = [
          need('nominal'),
          need('limit'),
          need('measured'),
          need('pairFrom'),
        ];
        if (t0 === t1) throw new InputError('limit', t1, 'a limit other than the new size');
        const { wear, out, renewWithChain } = judgeTooth(t, {
          ...{ nominal: t0, limit: t1, pairFrom: pair / 100 },
        });
        return [
          amount('Worn', 100 * wear, '%', {
            ...{ decimals: 1, formula: '(t₀ − t) / (t₀ − t₁)' },
            numbers: `(${n(t0)} − ${n(t)}) / (${n(t0)} − ${n(t1)})`,
            ...(wear < THICKER
              ? {
                  says: 'thicker than new: read elsewhere, or another sprocket',
                  tone: 'doubt' as const,
                }
              : out
                ? { says: 'past its limit: renew the sprocket', tone: 'bad' as const }
                : renewWithChain
                  ? {
                      says: 'renew it with the chain: worn teeth spoil a new one',
                      tone: 'doubt' as const,
                    }
                  : { says: 'a new chain may run on it', tone: 'good' as const }),
          }),
        ];
      },
    },
  ],
};

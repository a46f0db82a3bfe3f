import { isMeasured } from '../benchFor';
import type { Check } from '../contracts';
import { againstLimit } from '../findings';
import { wearFraction, wearLimitsOf } from '../kinds';
import type { PhotoLength } from '../photo';
import { printNumber } from '../units';
import type { BenchResult } from './bench';

const mm = (value: number) => printNumber(value, 2);

/** What a length from a photo comes to: its ±, how it came, and how it stands against the limit of its check. */
export function photoResults(length: PhotoLength, check?: Check): readonly BenchResult[] {
  const { uncertainty, of, distance } = length;
  return [
    {
      ...{ label: 'Length', value: length.length, dimension: 'length', unit: 'mm', decimals: 2 },
      uncertainty,
      formula: 'U = √(picture² + print² + off the plane²); what was not said counts whole',
      numbers: `picture ${mm(of.picture)}, print ${mm(of.print)}, off the plane ${mm(of.off)}: ${mm(uncertainty)} mm`,
    },
    ...(check ? againstItsLimit(length, check) : []),
    {
      ...{ label: 'From the camera, about', value: distance, dimension: 'length', unit: 'mm' },
      decimals: 0,
      formula: 'D = f · mm a pixel; nearer by h it looks longer by h / D',
      numbers: `1 mm nearer: ${printNumber(100 / distance, 2)} % longer`,
    },
  ];
}

const STANDS = {
  inside: ['within the limit by all of its ±', 'good'],
  doubt: ['this photo cannot decide: the limit lies inside ±. Measure it with a caliper', 'doubt'],
  out: ['past the limit', 'bad'],
} as const;

function againstItsLimit(
  { length, uncertainty }: PhotoLength,
  check: Check,
): readonly BenchResult[] {
  const limits = isMeasured(check) ? wearLimitsOf(check) : undefined;
  if (!limits || !isMeasured(check)) return [];
  const { nominal, limit, limitPercent } = limits;
  const [says, tone] =
    STANDS[
      againstLimit(wearFraction(length, nominal, limit), uncertainty / Math.abs(nominal - limit))
    ];
  if (limitPercent === undefined)
    return [
      {
        ...{
          label: 'Limit',
          value: limit,
          dimension: 'length',
          unit: 'mm',
          decimals: 2,
          says,
          tone,
        },
        formula: 'out only where all of ± lies past it',
        numbers: `${mm(length)} ± ${mm(uncertainty)} against ${mm(limit)}; new ${mm(nominal)}`,
      },
    ];
  return [
    {
      ...{
        label: 'Elongation',
        value: (length / nominal - 1) * 100,
        unit: '%',
        decimals: 2,
        says,
        tone,
      },
      uncertainty: (uncertainty / nominal) * 100,
      formula: 'ε = L / (n · p) − 1',
      numbers: `${mm(length)} / ${mm(nominal)} − 1; limit ${printNumber(limitPercent, 2)} %`,
    },
  ];
}

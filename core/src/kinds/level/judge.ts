import type { LevelCheck } from '../../contracts';
import type { Finding } from '../../findings';
import { NOT_MEASURED, shown, type Seen, type Shown } from '../kind';

/**
 * A level at its eye, and the colour where it tells of trouble: bad colour is changed whatever the
 * level.
 */
export function judgeLevel(check: LevelCheck, { main }: Seen): Shown {
  const { value } = main;
  if (value.kind !== 'level') return shown([NOT_MEASURED]);
  const { level, colour, product: used, toppedUp } = value;
  const numbers = { level, colour, eye: check.eye, product: check.product, used, toppedUp };
  const findings: Finding[] = [];
  if (check.colours.some((c) => c.toLowerCase() === colour.toLowerCase()))
    findings.push({ id: 'fluidBad', numbers });
  if (used && used.toLowerCase() !== check.product.toLowerCase())
    findings.push({ id: 'otherFluid', numbers });
  if (level !== 'right') findings.push({ id: level === 'low' ? 'levelLow' : 'levelHigh', numbers });
  return shown(
    findings.length ? findings : [{ id: 'inside', numbers: { shows: 'level', ...numbers } }],
  );
}

import type { Check, CheckKind, CheckOf } from '../contracts';
import { condition } from './condition';
import { count } from './count';
import { feel } from './feel';
import { gonogo } from './gonogo';
import type { Kind } from './kind';
import { level } from './level';
import { mark } from './mark';
import { measure } from './measure';
import { series } from './series';
import { service } from './service';
import { setting } from './setting';

/** Every kind of check. The compiler lists here what a new kind needs. */
export const KINDS: { readonly [K in CheckKind]: Kind<K> } = {
  measure,
  series,
  mark,
  feel,
  gonogo,
  count,
  condition,
  level,
  setting,
  service,
};

/** The room of a check's kind. */
export function kindOf<K extends CheckKind>(check: CheckOf<K> & { kind: K }): Kind<K> {
  return KINDS[check.kind];
}

/** What a check wants, in a few words. */
export const wantWords = (check: Check): string => kindOf(check).wants(check);

/** A check's drawing in words. */
export const drawnWords = (check: Check): string =>
  `${check.component}${SAID_WITH_COMMA.has(check.kind) ? ', ' : ': '}${kindOf(check).drawn(check)}.`;

const SAID_WITH_COMMA: ReadonlySet<CheckKind> = new Set(['measure', 'series']);

import type { Check, Method } from '../../contracts';

/** What it takes when a component goes in harvest, and who says so. Money of the branch. */
export interface Stop {
  readonly stopHours: number;
  readonly collateral: number;
  readonly fieldMinutes: number;
  /** the component class whose shop rule it is; undefined where the sheet says it */
  readonly shopRule: string | undefined;
}

/** A shop rule of a component class. `takesAlong`: what it breaks with it, in prices of its parts. */
interface ClassStop {
  readonly name: string;
  readonly stopHours: number;
  readonly takesAlong: number;
}

const CHAIN: ClassStop = { name: 'chains', stopHours: 5, takesAlong: 1 };
const BELT: ClassStop = { name: 'belts', stopHours: 3, takesAlong: 0 };
const DRIVE: ClassStop = { name: 'variable drives', stopHours: 6, takesAlong: 1 };
const CUTTING: ClassStop = { name: 'cutting parts', stopHours: 1.5, takesAlong: 0.5 };
const THRESHING: ClassStop = { name: 'threshing parts', stopHours: 8, takesAlong: 1 };
const SPROCKET: ClassStop = { name: 'sprockets', stopHours: 5, takesAlong: 1 };
const OTHER: ClassStop = { name: 'other parts', stopHours: 4, takesAlong: 0.5 };

/** Shop rules of the component classes, by how their wear is read. */
const CLASS_OF: Readonly<Partial<Record<Method, ClassStop>>> = {
  'chain-pitches': CHAIN,
  sag: CHAIN,
  'slat-at-floor': CHAIN,
  'slat-in-window': CHAIN,
  'eye-bolt': CHAIN,
  'elevator-feel': CHAIN,
  'belt-width': BELT,
  'belt-note': BELT,
  'belt-push': BELT,
  'spring-gauge': BELT,
  'tip-to-tip': BELT,
  'canister-gap': BELT,
  overlap: BELT,
  'draper-band': BELT,
  'sheave-gap': DRIVE,
  'hold-down': CUTTING,
  'section-guard': CUTTING,
  'knife-edge': CUTTING,
  'knife-count': CUTTING,
  'rasp-bar': THRESHING,
  tooth: SPROCKET,
};

/** Work in the field takes longer than in the shop. Shop rule. */
const FIELD_FACTOR = 1.5;

/**
 * What a component costs when it goes in harvest: as its sheet says, else by the shop rule of its
 * class.
 * @param parts what its parts cost together
 */
export function stopOf(check: Pick<Check, 'costs' | 'method' | 'labour'>, parts: number): Stop {
  if (check.costs) return { ...check.costs, shopRule: undefined };
  const { name, stopHours, takesAlong } = CLASS_OF[check.method] ?? OTHER;
  return {
    stopHours,
    collateral: takesAlong * parts,
    fieldMinutes: FIELD_FACTOR * Math.max(check.labour.replace, check.labour.adjust),
    shopRule: name,
  };
}

import { StyleSheet } from 'react-native';
import { benchFor, photoFor } from '@green-tally/core/benchFor';
import type { Check, Reading } from '@green-tally/core/contracts';
import { Go, Strong } from '../ui';

interface BenchLinkProps {
  readonly machineId: string;
  readonly check: Check;
  /** the reading that is being taken, to which what is found goes back */
  readonly state?: Reading['state'];
}

/** The calculator that belongs to a check, with the check's figures, and the photo it can be measured in; nothing where there is none. */
export function BenchLink({ machineId, check, state }: BenchLinkProps) {
  const place = benchFor(check);
  const of = { machine: machineId, check: check.id, ...(state ? { state } : {}) };
  return (
    <>
      {place ? (
        <Go
          to={`/bench/${place.bench}?${new URLSearchParams({ ...of, show: place.section })}`}
          label={`${check.component} on the bench`}
          style={styles.link}
        >
          <Strong tone="pine">On the bench ›</Strong>
        </Go>
      ) : null}
      {photoFor(check) ? (
        <Go
          to={`/bench/photo?${new URLSearchParams(of)}`}
          label={`${check.component} from a photo`}
          style={styles.link}
        >
          <Strong tone="pine">From a photo ›</Strong>
        </Go>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({ link: { justifyContent: 'center' } });

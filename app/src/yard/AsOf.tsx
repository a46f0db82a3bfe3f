import { format } from 'date-fns/format';
import { Strong } from '../ui';

/** Says of a list that is from this device when it was so; nothing where the server has just told it. */
export function AsOf({ at }: { at: string | undefined }) {
  return at ? (
    <Strong testID="as of">{`No signal: this is how it stood on ${format(new Date(at), 'd MMM, HH:mm')}.`}</Strong>
  ) : null;
}

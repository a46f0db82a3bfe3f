import type { SpecSheet } from '@green-tally/core/contracts';
import { limitProgress, limitRows } from '@green-tally/core/figures';
import { Card, Go, Quiet, Strong } from '../ui';
import { limitsPath } from './words';

/** How many of a sheet's figures are entered, and the way to the table of them. */
export function FiguresLine({ sheet }: { readonly sheet: SpecSheet }) {
  const { entered, all } = limitProgress(limitRows(sheet));
  const left = all - entered;
  return (
    <Go
      to={limitsPath(sheet.model)}
      label={`Fill in the limits: ${entered} of ${all} entered`}
      testID="to limits"
    >
      <Card edge={left ? 'rust' : 'line'}>
        <Strong>{`${left ? 'Fill in the limits' : 'Limits'}: ${entered} of ${all} entered ›`}</Strong>
        <Quiet>
          {left
            ? 'A check without its limit takes readings and never holds.'
            : 'As a table: check, place, new, low, high, limit, unit, page.'}
        </Quiet>
      </Card>
    </Go>
  );
}

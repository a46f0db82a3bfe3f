import { useEffect, useState } from 'react';
import type { MachineFile } from '@green-tally/core/contracts';
import { keepPages } from '../specs/keptPages';
import { Quiet } from '../ui';

/** While a walk is begun the pages of its book are fetched, to be opened where there is no signal. */
export function KeepBook({ file }: { readonly file: MachineFile }) {
  const { machine } = file;
  const models = [machine.model, ...(machine.header ? [machine.header.model] : [])].join('\n');
  const [said, setSaid] = useState('');
  useEffect(() => {
    let here = true;
    keepPages(models.split('\n')).then(
      ({ kept, all }) => {
        if (here && all) setSaid(`Pages of the book kept for no signal: ${kept} of ${all}.`);
      },
      // without signal what was kept before is there, and nothing more
      () => undefined,
    );
    return () => {
      here = false;
    };
  }, [models]);
  return said ? <Quiet>{said}</Quiet> : null;
}

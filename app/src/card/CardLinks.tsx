import { create } from 'qrcode';
import { useMemo, useState } from 'react';
import { StyleSheet } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import useSWR from 'swr';
import { z } from 'zod';
import { CardLink, type Machine } from '@green-tally/core/contracts';
import { api, pathOf, troubleText, useAction } from '../store';
import { Card, Heading, Notice, Press, Quiet, Strong } from '../ui';
import { dayWords } from '../yard/words';

const Links = z.object({ cards: z.array(CardLink) });

/** Links to the machine's operator's card: made, shown to be scanned, taken back. */
export function CardLinks({ machine }: { readonly machine: Machine }) {
  const [open, setOpen] = useState(false);
  const path = pathOf('GET /machines/{id}/cards', { params: { id: machine.id } });
  const { data, error, mutate } = useSWR<unknown, unknown>(open ? path : null);
  const links = useMemo(() => (data === undefined ? [] : Links.parse(data).cards), [data]);
  const again = () => void mutate();
  const make = useAction(async () => {
    await api('POST /machines/{id}/cards', { params: { id: machine.id } });
    again();
  });
  const standing = links.filter((l) => !l.revokedAt);
  return (
    <Card testID="card links">
      <Heading>Operator’s card</Heading>
      <Quiet>
        A label with a code opens today’s few checks of this machine on the driver’s own phone,
        without an account. What they send is marked as theirs.
      </Quiet>
      {open ? (
        <>
          {standing.map((link) => (
            <OneLink key={link.id} link={link} serial={machine.serial} again={again} />
          ))}
          {error ? <Notice title="Not at hand" text={troubleText(error)} /> : null}
          {make.trouble ? <Notice tone="rust" title="Not made" text={make.trouble} /> : null}
          <Press
            title={standing.length ? 'Make another link' : 'Make a link'}
            loading={make.busy}
            onPress={() => void make.run()}
            small
          />
        </>
      ) : (
        <Press title="Show its links" onPress={() => setOpen(true)} small />
      )}
    </Card>
  );
}

interface OneLinkProps {
  readonly link: CardLink;
  readonly serial: string;
  readonly again: () => void;
}

function OneLink({ link, serial, again }: OneLinkProps) {
  const [sure, setSure] = useState(false);
  const address = `${globalThis.location?.origin ?? ''}/card/${link.key}`;
  const revoke = useAction(async () => {
    await api('DELETE /cards/{id}', { params: { id: link.id } });
    again();
  });
  return (
    <Card testID="card link">
      <Strong>{`${serial} · made by ${link.madeBy}, ${dayWords(link.madeAt.slice(0, 10))}`}</Strong>
      <Code text={address} />
      <Quiet testID="card address">{address}</Quiet>
      <Press
        title={sure ? 'Tap again: the label opens nothing any more' : 'Take it back'}
        loading={revoke.busy}
        onPress={() => (sure ? void revoke.run() : setSure(true))}
        small
      />
      {revoke.trouble ? <Notice tone="rust" title="Still open" text={revoke.trouble} /> : null}
    </Card>
  );
}

/** A quiet zone of four modules, as the code's standard asks. */
const QUIET = 4;

/** A code to be scanned, black on white in every theme. */
function Code({ text }: { readonly text: string }) {
  const { size, path } = useMemo(() => {
    const { modules } = create(text, { errorCorrectionLevel: 'M' });
    let drawn = '';
    for (let y = 0; y < modules.size; y += 1)
      for (let x = 0; x < modules.size; x += 1)
        if (modules.get(y, x)) drawn += `M${x + QUIET} ${y + QUIET}h1v1h-1z`;
    return { size: modules.size + 2 * QUIET, path: drawn };
  }, [text]);
  return (
    <Svg
      viewBox={`0 0 ${size} ${size}`}
      style={styles.code}
      role="img"
      aria-label="Code of the operator’s card"
    >
      <Rect width={size} height={size} fill="#fff" />
      <Path d={path} fill="#000" />
    </Svg>
  );
}

const styles = StyleSheet.create({ code: { width: 220, height: 220 } });

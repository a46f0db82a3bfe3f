import { useState } from 'react';
import { ArchiveTaken } from '@green-tally/core/contracts/archive';
import { printNumber } from '@green-tally/core/units';
import { download } from '../readings/download';
import { listsChanged, request, useAction, useClock, useSync } from '../store';
import { Body, Buttons, Card, Go, Heading, Notice, Press, Quiet, Row, Strong } from '../ui';
import { ChoosePress } from '../ui/FilePress';
import { momentWords } from '../yard/words';
import { SettingsFrame } from './SettingsFrame';

/** Everything out as one file, and into a place that was just set up. */
export function ArchiveScreen() {
  return (
    <SettingsFrame title="Archive" testID="archive">
      <Out />
      <In />
      <Go to="/settings/formats" label="What is in an archive: every format, with examples">
        <Strong tone="pine">What is in it: every format, with examples ›</Strong>
      </Go>
    </SettingsFrame>
  );
}

function Out() {
  const clock = useClock();
  const { offline } = useSync();
  return (
    <Card testID="archive out">
      <Heading>Out</Heading>
      <Body>
        Machines, readings, walks, work, visits, people, sheets, parts and photos of all branches,
        as they stand now: lists as JSON with their schemas, photos as files, and a hash of each.
        Passwords and the keys of links are not in it.
      </Body>
      <Buttons>
        <Press
          fill="pine"
          title="Take everything out"
          testID="take out"
          disabled={offline}
          onPress={() =>
            download('/api/archive.zip', `green-tally-${clock().toISOString().slice(0, 10)}.zip`)
          }
        />
      </Buttons>
      <Quiet>
        {offline
          ? 'There is no signal: the archive is made by the server.'
          : 'It is made while it comes; with many photos that takes minutes. Keep it as you keep the books.'}
      </Quiet>
    </Card>
  );
}

const send = async (file: File, look: boolean): Promise<ArchiveTaken> =>
  ArchiveTaken.parse(
    await request(
      'POST',
      `/archive?look=${look ? 'yes' : 'no'}`,
      new Blob([file], { type: 'application/zip' }),
    ),
  );

/** A file is looked through first; what it would bring is told before anything is stored. */
function In() {
  const [file, setFile] = useState<File>();
  const [found, setFound] = useState<ArchiveTaken>();
  const look = useAction(async (chosen: File) => {
    setFile(chosen);
    setFound(undefined);
    setFound(await send(chosen, true));
  });
  const bring = useAction(async () => {
    if (!file) return;
    setFound(await send(file, false));
    setFile(undefined);
    listsChanged();
  });
  const trouble = look.trouble || bring.trouble;
  return (
    <Card testID="archive in">
      <Heading>In</Heading>
      <Body>
        Into a place that was just set up and holds nothing yet. It is taken whole or not at all,
        and only where every file is what its manifest says.
      </Body>
      <ChoosePress
        title={file ? `Another file than ${file.name}` : 'Choose an archive'}
        label="An archive to bring in"
        testID="archive file"
        accept=".zip,application/zip"
        busy={look.busy}
        small
        onChoose={(chosen) => void look.run(chosen)}
      />
      {look.busy ? <Quiet live>Looking through it. Nothing is stored yet.</Quiet> : null}
      {trouble ? <Notice tone="rust" title="Nothing was stored" text={trouble} /> : null}
      {found ? <Found found={found} /> : null}
      {found && !found.stored ? (
        <Press
          fill="pine"
          title="Bring it in"
          testID="bring in"
          loading={bring.busy}
          onPress={() => void bring.run()}
        />
      ) : null}
    </Card>
  );
}

function Found({ found: { stored, madeAt, lists, photos, pages } }: { found: ArchiveTaken }) {
  const told = lists.filter((l) => l.rows > 0);
  return (
    <>
      <Strong testID="archive found">
        {stored
          ? 'It is in. Machines are judged now; people get a password each under People.'
          : `Whole and sound, made ${momentWords(madeAt)}. Nothing is stored yet.`}
      </Strong>
      {told.map(({ name, rows }) => (
        <Row key={name} apart>
          <Quiet>{name.replaceAll('-', ' ')}</Quiet>
          <Strong>{printNumber(rows, 0)}</Strong>
        </Row>
      ))}
      <Row apart>
        <Quiet>photos, pages of books</Quiet>
        <Strong>{`${photos}, ${pages}`}</Strong>
      </Row>
    </>
  );
}

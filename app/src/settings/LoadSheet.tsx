import { useRef, useState } from 'react';
import { useSWRConfig } from 'swr';
import { SpecSheet } from '@green-tally/core/contracts';
import { api, troubleText, useSpecs } from '../store';
import { Card, Heading, Notice, Press, Quiet } from '../ui';

/** Loads a spec sheet (JSON) as a new revision of its model. */
export function LoadSheet() {
  const { data: specs, again } = useSpecs();
  const { mutate } = useSWRConfig();
  const input = useRef<HTMLInputElement | null>(null);
  const [trouble, setTrouble] = useState('');
  const [loaded, setLoaded] = useState('');
  const load = async (file: File | undefined) => {
    if (!file) return;
    setTrouble('');
    setLoaded('');
    try {
      const sheet = SpecSheet.safeParse(JSON.parse(await file.text()));
      if (!sheet.success) return setTrouble(sheet.error.issues.slice(0, 6).map((i) => `${i.path.join('.') || 'sheet'}: ${i.message}`).join('; '));
      await api('POST', '/specs', sheet.data);
      setLoaded(`${sheet.data.model} revision ${sheet.data.revision}: ${sheet.data.checks.length} checks`);
      again();
      void mutate('/yard');
    } catch (error) {
      setTrouble(error instanceof SyntaxError ? `${file.name} is not JSON: ${error.message}` : troubleText(error));
    }
  };
  return (
    <Card testID="load sheet">
      <Heading>Spec sheets</Heading>
      {specs?.sheets.length ? specs.sheets.map((s) => <Quiet key={s.model}>{`${s.maker} ${s.model} · revision ${s.revision} · ${s.checks.length} checks`}</Quiet>) : <Quiet>None yet. A sheet says what is checked on a model, how, and where its limits lie.</Quiet>}
      <input ref={input} type="file" accept=".json,application/json" aria-label="Spec sheet file" data-testid="sheet file" style={{ display: 'none' }} onChange={(e) => { void load(e.target.files?.[0]); e.target.value = ''; }} />
      {trouble ? <Notice tone="rust" title="Not loaded" text={trouble} /> : null}
      {loaded ? <Notice tone="pine" title="Loaded" text={loaded} /> : null}
      <Press title="Load a sheet (JSON)" onPress={() => input.current?.click()} small />
    </Card>
  );
}

import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { useSWRConfig } from 'swr';
import type { NewSheet as Wish } from '@green-tally/core/contracts';
import { api, useAction, useSpecModels, useTextDraft } from '../store';
import { useStarters } from '../store/books';
import { Card, Choice, Heading, Notice, Press, Quiet, Row, TextEntry } from '../ui';
import { limitsPath } from './words';

/** Where a new sheet begins: `starter:rotary`, or `copy:Ouzel 7`, or `form:Ouzel 7`. */
type From = `${'starter' | 'copy' | 'form'}:${string}`;

function fromOf(from: From): Wish['from'] {
  const [how = '', ...name] = from.split(':');
  const model = name.join(':');
  return how === 'starter' ? { starter: model } : { model, figures: how === 'copy' };
}

/**
 * A sheet for a new model: from a starter, which has every check and no figure, or from another
 * model's sheet.
 */
export function NewSheet({ open: begun = false }: { readonly open?: boolean }) {
  const router = useRouter();
  const { mutate } = useSWRConfig();
  const { data } = useStarters();
  const { data: models } = useSpecModels();
  const [open, setOpen] = useState(begun);
  const [from, setFrom] = useState<From | undefined>();
  const [model, setModel] = useTextDraft('new-sheet|model');
  const [maker, setMaker] = useTextDraft('new-sheet|maker');
  const [wanted, setWanted] = useState('');
  const make = useAction(async (wish: Wish) => {
    const made = await api('POST /spec-models', { body: wish });
    await mutate((key) => typeof key === 'string' && /^\/(spec|yard)/.test(key));
    setModel('');
    setMaker('');
    router.push(limitsPath(made.model));
  });
  const submit = () => {
    if (!from) return setWanted('Choose what it begins from.');
    if (!model.trim()) return setWanted('Write the model, as it stands on the machine.');
    if (!maker.trim()) return setWanted('Write who makes it.');
    setWanted('');
    void make.run({ model: model.trim(), maker: maker.trim(), from: fromOf(from) });
  };
  return (
    <Card testID="new sheet">
      <Row apart>
        <Heading>A sheet for a new model</Heading>
        {begun ? null : (
          <Press small title={open ? 'Fold' : 'Begin'} onPress={() => setOpen(!open)} />
        )}
      </Row>
      <Quiet>
        A starter has all checks, positions, methods and cautions of its kind, and no limits: those
        are entered from the maker’s manual.
      </Quiet>
      {open ? (
        <>
          <Choice
            label="From a starter"
            tall
            value={from}
            onChange={setFrom}
            options={(data?.starters ?? []).map(({ id, name, checks, figures }) => ({
              value: `starter:${id}` as const,
              title: name,
              text: `${checks} checks, ${figures} rows of figures to enter`,
            }))}
          />
          {models?.items.length ? (
            <Choice
              label="Or from a sheet that is here"
              tall
              value={from}
              onChange={setFrom}
              options={models.items.flatMap(({ model: m, maker: by }) => [
                {
                  value: `copy:${m}` as const,
                  title: `${by} ${m}, with its figures`,
                  text: 'for a model that differs in little',
                },
                {
                  value: `form:${m}` as const,
                  title: `${by} ${m}, without figures`,
                  text: 'the same checks, its own limits',
                },
              ])}
            />
          ) : null}
          <Row style={styles.names}>
            <TextEntry label="Model" value={model} onChange={setModel} hint="as on the machine" />
            <TextEntry label="Maker" value={maker} onChange={setMaker} hint="who makes it" />
          </Row>
          {wanted || make.trouble ? (
            <Notice tone="rust" title="Not made" text={wanted || (make.trouble ?? '')} />
          ) : null}
          <Press
            fill="pine"
            title="Make the sheet"
            testID="make sheet"
            loading={make.busy}
            onPress={submit}
          />
        </>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({ names: { flexWrap: 'wrap' } });

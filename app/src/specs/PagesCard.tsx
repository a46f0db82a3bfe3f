import { useRef, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import type { SpecSheet } from '@green-tally/core/contracts';
import { api, useAction, usePages, useTextDraft } from '../store';
import { Card, Heading, Notice, Press, Quiet, Row, Strong, TextEntry } from '../ui';
import { base64Of, openPage } from './pageFile';

interface PagesCardProps {
  readonly sheet: SpecSheet;
  readonly may: boolean;
}

/** Pages of the maker's book kept with a sheet: the dealership's own pictures or PDFs. */
export function PagesCard({ sheet, may }: PagesCardProps) {
  const { data, again } = usePages(sheet.model);
  const [open, setOpen] = useState(false);
  const [name, setName] = useTextDraft(`page|${sheet.model}|name`);
  const [about, setAbout] = useTextDraft(`page|${sheet.model}|about`);
  const [sure, setSure] = useState('');
  const input = useRef<HTMLInputElement | null>(null);
  const work = useAction(async (change: () => Promise<unknown>) => {
    await change();
    again();
  });
  const add = (file: File | undefined) => {
    if (!file) return;
    void work.run(async () => {
      const body = {
        id: uuidv7(),
        name: name.trim() || file.name.slice(0, 120),
        checks: about
          .split(',')
          .map((c) => c.trim())
          .filter(Boolean),
        data: await base64Of(file),
      };
      await api('POST /specs/{model}/pages', { params: { model: sheet.model }, body });
      setName('');
      setAbout('');
    });
  };
  const pages = data?.pages ?? [];
  return (
    <Card testID="pages">
      <Row apart>
        <Heading>{`Pages of the book: ${pages.length}`}</Heading>
        <Press
          title={open ? 'Fold' : 'Show'}
          label={open ? 'Fold the pages' : 'Show the pages'}
          small
          onPress={() => setOpen(!open)}
        />
      </Row>
      {open ? (
        <>
          {pages.map((page) => (
            <View key={page.id}>
              <Strong>{page.name}</Strong>
              <Quiet>
                {page.checks.length ? `about ${page.checks.join(', ')}` : 'about the whole sheet'}
              </Quiet>
              <Row>
                <Press
                  small
                  title="Open"
                  label={`Open ${page.name}`}
                  onPress={() => void work.run(() => openPage(page))}
                />
                {may ? (
                  <Press
                    small
                    fill={sure === page.id ? 'rust' : undefined}
                    title={sure === page.id ? 'Tap again to take it out' : 'Take out'}
                    onPress={() => {
                      if (sure !== page.id) return setSure(page.id);
                      setSure('');
                      void work.run(() => api('DELETE /pages/{id}', { params: { id: page.id } }));
                    }}
                  />
                ) : null}
              </Row>
            </View>
          ))}
          {may ? (
            <>
              <Quiet>
                Your own picture or PDF, at most 10 MB: only what you may keep. It is opened from
                the checks it is about.
              </Quiet>
              <TextEntry label="Name of the page" value={name} onChange={setName} hint="page 112" />
              <TextEntry
                label="About which checks, by commas; empty: the whole sheet"
                value={about}
                onChange={setAbout}
                hint="fan-drive-belt"
              />
              <input
                ref={input}
                type="file"
                accept="application/pdf,image/png,image/jpeg"
                aria-label="Page file"
                data-testid="page file"
                hidden
                onChange={(e) => {
                  add(e.target.files?.[0]);
                  e.target.value = '';
                }}
              />
              <Press
                small
                title="Choose a file"
                label="Choose a page of the book"
                loading={work.busy}
                onPress={() => input.current?.click()}
              />
            </>
          ) : null}
          {work.trouble ? <Notice tone="rust" title="Not done" text={work.trouble} /> : null}
        </>
      ) : null}
    </Card>
  );
}

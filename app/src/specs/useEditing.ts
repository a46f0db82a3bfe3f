import { useState } from 'react';
import { useSWRConfig } from 'swr';
import type { SheetChanges, SheetDraft, SpecDetail, SpecSheet } from '@green-tally/core/contracts';
import { diffSheets } from '@green-tally/core/sheets';
import { mayDo } from '@green-tally/core/rights';
import { api, listsChanged, pathOf, useAction, useSession, useSheetDraft } from '../store';

/**
 * A sheet that may be changed: the draft when one is open, what differs, and what can be done with
 * it.
 */
export interface Editing {
  readonly may: boolean;
  readonly draft: SheetDraft | undefined;
  /** the sheet to show: the draft's, else the published one */
  readonly sheet: SpecSheet;
  readonly changes: SheetChanges | undefined;
  readonly trouble: { readonly text: string; readonly overtaken: boolean } | undefined;
  readonly busy: boolean;
  /** keeps a changed sheet in the draft; true when it is kept */
  readonly keep: (sheet: SpecSheet) => Promise<boolean>;
  readonly publish: (remark: string) => Promise<boolean>;
  readonly drop: () => Promise<void>;
  /** fetches the draft as somebody else left it; busy until it is there */
  readonly reload: () => void;
}

/** Editing of the newest revision; an older revision is only looked at. */
export function useEditing(model: string, detail: SpecDetail): Editing {
  const { data: session } = useSession();
  const person = session?.person;
  const newest = detail.sheet.revision === detail.latest;
  const may = newest && Boolean(person && mayDo(person.role, 'keepSheets'));
  const { data, again } = useSheetDraft(model, may);
  const { mutate } = useSWRConfig();
  const [overtaken, setOvertaken] = useState(false);
  const params = { model };
  const draft = data?.draft ?? undefined;
  const version = draft?.version ?? 0;
  const work = useAction(
    (change: () => Promise<unknown>) => {
      setOvertaken(false);
      return change();
    },
    ({ problem }) => {
      setOvertaken(problem.status === 409);
      return false;
    },
  );
  return {
    may,
    draft,
    sheet: draft?.sheet ?? detail.sheet,
    changes: draft ? diffSheets(detail.sheet, draft.sheet) : undefined,
    trouble: work.trouble ? { text: work.trouble, overtaken } : undefined,
    busy: work.busy,
    keep: (sheet) =>
      work.run(async () => {
        const basedOn = draft?.basedOn ?? detail.sheet.revision;
        await api('PUT /specs/{model}/draft', { params, body: { basedOn, sheet, version } });
        await mutate(pathOf('GET /specs/{model}/draft', { params }));
      }),
    publish: (remark) =>
      work.run(async () => {
        await api('POST /specs/{model}/publish', { params, body: { version, remark } });
        await mutate(concernsSheets);
        listsChanged();
      }),
    drop: async () => {
      await work.run(() => api('DELETE /specs/{model}/draft', { params }));
      again();
    },
    reload: () => void work.run(() => mutate(pathOf('GET /specs/{model}/draft', { params }))),
  };
}

/** Answers that a published sheet changes. */
const concernsSheets = (key: unknown): boolean =>
  typeof key === 'string' && (key.startsWith('/spec') || key.startsWith('/machines'));

import { useState } from 'react';
import { useSWRConfig } from 'swr';
import type { SheetChanges, SheetDraft, SpecDetail, SpecSheet } from '@green-tally/core/contracts';
import { diffSheets } from '@green-tally/core/sheets';
import { api, ApiProblem, troubleText, useSession, useSheetDraft } from '../store';

/** A sheet that may be changed: the draft when one is open, what differs, and what can be done with it. */
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
  /** fetches the draft as somebody else left it */
  readonly reload: () => void;
}

/** Editing of the newest revision; an older revision is only looked at. */
export function useEditing(model: string, detail: SpecDetail): Editing {
  const { data: session } = useSession();
  const role = session?.person?.role;
  const newest = detail.sheet.revision === detail.latest;
  const may = newest && (role === 'planner' || role === 'admin');
  const { data, again } = useSheetDraft(model, may);
  const { mutate } = useSWRConfig();
  const [trouble, setTrouble] = useState<Editing['trouble']>();
  const [busy, setBusy] = useState(false);
  const draft = data?.draft ?? undefined;
  const path = `/specs/${encodeURIComponent(model)}`;
  const everything = () =>
    mutate(
      (key) =>
        typeof key === 'string' &&
        (key.startsWith('/spec') || key.startsWith('/machines') || key === '/yard'),
    );
  const attempt = async (work: () => Promise<unknown>): Promise<boolean> => {
    setBusy(true);
    setTrouble(undefined);
    try {
      await work();
      return true;
    } catch (error) {
      setTrouble({
        text: error instanceof ApiProblem ? error.message : troubleText(error),
        overtaken: error instanceof ApiProblem && error.problem.status === 409,
      });
      return false;
    } finally {
      setBusy(false);
    }
  };
  return {
    may,
    draft,
    sheet: draft?.sheet ?? detail.sheet,
    changes: draft ? diffSheets(detail.sheet, draft.sheet) : undefined,
    trouble,
    busy,
    keep: (sheet) =>
      attempt(async () => {
        await api('PUT', `${path}/draft`, {
          basedOn: draft?.basedOn ?? detail.sheet.revision,
          sheet,
          version: draft?.version ?? 0,
        });
        await mutate(`${path}/draft`);
      }),
    publish: (remark) =>
      attempt(async () => {
        await api('POST', `${path}/publish`, { version: draft?.version ?? 0, remark });
        await everything();
      }),
    drop: async () => {
      await attempt(() => api('DELETE', `${path}/draft`));
      again();
    },
    reload: () => {
      setTrouble(undefined);
      again();
    },
  };
}

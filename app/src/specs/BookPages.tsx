import { View } from 'react-native';
import type { SheetPage } from '@green-tally/core/contracts';
import { useAction, usePages } from '../store';
import { Notice, Press } from '../ui';
import { openPage } from './pageFile';

interface BookPagesProps {
  readonly model: string;
  /** only those about this check, and those about the whole sheet */
  readonly checkId: string;
}

/** The book beside the reading: the pages that are kept for a check, each opened on its own. */
export function BookPages({ model, checkId }: BookPagesProps) {
  const { data } = usePages(model);
  const open = useAction((page: SheetPage) => openPage(page));
  const pages = (data?.pages ?? []).filter(
    (p) => p.checks.length === 0 || p.checks.includes(checkId),
  );
  if (!pages.length) return null;
  return (
    <View testID="book pages">
      {pages.map((page) => (
        <Press
          key={page.id}
          small
          title={`Open ${page.name}`}
          loading={open.busy}
          onPress={() => void open.run(page)}
        />
      ))}
      {open.trouble ? (
        <Notice
          tone="rust"
          title="Not opened"
          text={`${open.trouble} This page is not kept on this device yet, so it needs signal once.`}
        />
      ) : null}
    </View>
  );
}

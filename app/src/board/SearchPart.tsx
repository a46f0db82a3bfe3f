import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { samePlacing, whyMoved } from '@green-tally/core/board';
import type { PlanFares, PlanSearch } from '@green-tally/core/contracts';
import { printAmount, printNumber } from '@green-tally/core/units';
import { api, troubleText, useAction } from '../store';
import { usePlanSearch } from './hooks';
import {
  Body,
  Buttons,
  Card,
  Choice,
  Heading,
  Notice,
  Press,
  Quiet,
  SPACE,
  Strong,
  usePalette,
} from '../ui';
import { heldUpWords, likelyWords, placingWords } from './words';
import type { Desk } from './useDesk';

type Objective = 'dates' | 'loss';

/** Has the rest planned: asked for, shown, and taken over or dropped. Nothing moves by itself. */
export function SearchPart({ desk }: { desk: Desk }) {
  const [objective, setObjective] = useState<Objective>('dates');
  const [seconds, setSeconds] = useState('5');
  const { data: search, error, again } = usePlanSearch(desk.search);
  const own = search && !search.wish.whatIf.length ? search : undefined;
  return (
    <>
      {error ? (
        <Notice
          tone="rust"
          title="Not there"
          text={troubleText(error)}
          action={{ title: 'Ask again', onPress: again }}
        />
      ) : null}
      {own ? <Searched desk={desk} search={own} again={again} /> : null}
      <Card>
        <Body>
          What you moved stays, and so does what is pinned or begun. The rest is planned around it;
          a visit that is published moves only where that is worth it.
        </Body>
        <Choice
          label="By what"
          tall
          value={objective}
          onChange={setObjective}
          options={[
            { value: 'dates', title: 'By the dates', text: 'harvest begins on its day' },
            {
              value: 'loss',
              title: 'By what may be lost',
              text: 'harvest may come early: what that is expected to cost',
            },
          ]}
        />
        <Choice
          label="How long it may look"
          value={seconds}
          onChange={setSeconds}
          options={['2', '5', '15'].map((s) => ({ value: s, title: `${s} s` }))}
        />
        {desk.look.trouble ? (
          <Notice tone="rust" title="Not begun" text={desk.look.trouble} />
        ) : null}
        {desk.may ? (
          <Press
            fill="pine"
            small
            title="Plan the rest"
            testID="plan the rest"
            loading={desk.look.busy}
            onPress={() => void desk.look.run({ objective, seconds: Number(seconds), whatIf: [] })}
          />
        ) : null}
      </Card>
    </>
  );
}

interface SearchedProps {
  readonly desk: Desk;
  readonly search: PlanSearch;
  readonly again: () => void;
}

/** How far a search is; then what it would change, to be taken over or dropped. */
export function Searched({ desk, search, again }: SearchedProps) {
  const stop = useAction(async () => {
    await api('POST /board/searches/{id}/stop', { params: { id: search.id } });
    again();
  });
  const running = search.state === 'waiting' || search.state === 'running';
  return (
    <Card testID="search">
      <Heading>{TITLES[search.state]}</Heading>
      <Progress share={search.share} running={running} />
      <Gap search={search} currency={desk.page.currency} />
      {running ? (
        <Press
          small
          title="Stop: that is good enough"
          testID="stop search"
          loading={stop.busy}
          onPress={() => void stop.run()}
        />
      ) : null}
      {search.trouble ? <Notice tone="rust" title="It did not work" text={search.trouble} /> : null}
      {search.after && !running ? <Found desk={desk} search={search} after={search.after} /> : null}
    </Card>
  );
}

const TITLES: Readonly<Record<PlanSearch['state'], string>> = {
  waiting: 'Waiting for its turn',
  running: 'Looking for a plan',
  done: 'A plan was found',
  stopped: 'Stopped: the best so far',
  failed: 'No plan was found',
};

function Progress({ share, running }: { share: number; running: boolean }) {
  const palette = usePalette();
  if (!running) return null;
  const percent = Math.round(100 * share);
  return (
    <View
      role="progressbar"
      aria-label="How far it is"
      aria-valuenow={percent}
      style={[styles.bar, { borderColor: palette.pine }]}
    >
      <View style={[styles.done, { width: `${percent}%`, backgroundColor: palette.pine }]} />
    </View>
  );
}

/** What it costs, and how much better any plan could be. */
function Gap({ search, currency }: { search: PlanSearch; currency: string | null }) {
  const { cost, bound, proven } = search;
  if (cost === null || bound === null) return null;
  const gap = cost > 0 ? Math.max(0, (cost - bound) / cost) : 0;
  const money = `${printAmount(Math.round(cost))} ${currency ?? 'by the shop rule'}`;
  const more =
    gap < 0.0005
      ? 'no plan is better'
      : `no plan is more than ${printNumber(100 * gap, 1)} % better (${printAmount(Math.round(cost - bound))})`;
  return (
    <Quiet testID="gap">
      {`Late days, ways, over time and changes: ${money}; ${proven ? more : `${more}, by each visit alone`}.`}
    </Quiet>
  );
}

/** How it differs from the board as it stands, and what is still late. */
function Found({ desk, search, after }: { desk: Desk; search: PlanSearch; after: PlanFares }) {
  const { page, over } = desk;
  const moves = after.placings.flatMap(({ id, to }) => {
    const job = page.jobs.find((j) => j.id === id);
    const now = over.has(id) ? (over.get(id) ?? null) : (job?.published ?? null);
    return job && to && !job.startedAt && !samePlacing(now, to) ? [{ job, now, to }] : [];
  });
  const why = new Map(whyMoved(page, over, after.placings).map((m) => [m.id, m.why]));
  return (
    <View style={styles.found}>
      <Strong>{`By it, ${likelyWords(after.ready.map((r) => r.chance))}.`}</Strong>
      <Strong testID="moves">
        {moves.length
          ? `${moves.length} ${moves.length === 1 ? 'visit' : 'visits'} would be put or moved:`
          : 'Nothing would move: the board is as good as it gets.'}
      </Strong>
      {moves.map(({ job, now, to }) => (
        <View key={job.id}>
          <Body>
            {`${job.machine.serial}: ${placingWords(page, to)}${now ? ` (now ${placingWords(page, now)})` : ''}`}
          </Body>
          <Quiet>{why.get(job.id) ?? ''}</Quiet>
        </View>
      ))}
      <LateList late={after.late} title="Still late by it" />
      <Buttons>
        {moves.length && desk.may ? (
          <Press
            fill="pine"
            small
            title="Take it onto the board"
            testID="take plan"
            onPress={() => {
              desk.move(moves.map(({ job, to }) => [job.id, to] as const));
              desk.forget();
            }}
          />
        ) : null}
        <Press small title="Drop it" testID="drop plan" onPress={desk.forget} />
      </Buttons>
      <Quiet>{`Asked by ${search.by}. Taken onto the board it is not published yet.`}</Quiet>
    </View>
  );
}

/** What is late, why, and what would save it. */
export function LateList({ late, title }: { late: PlanFares['late']; title: string }) {
  if (!late.length) return null;
  return (
    <View style={styles.found}>
      <Strong tone="rust">{title}</Strong>
      {late.map((l) => {
        const { why, saves } = heldUpWords(l);
        return (
          <View key={l.id}>
            <Body>{`${l.serial}, ${l.customer}: ${why}`}</Body>
            <Quiet>{saves}</Quiet>
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { height: 14, borderWidth: 2, borderRadius: 7, overflow: 'hidden' },
  done: { height: '100%' },
  found: { gap: SPACE.s },
});

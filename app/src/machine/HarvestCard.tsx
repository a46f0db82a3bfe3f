import { useState } from 'react';
import type { Machine } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { printNumber } from '@green-tally/core/units';
import { useSession } from '../store';
import { Body, Card, Go, Heading, later, Press, Strong } from '../ui';
import { dayWords } from '../yard/words';

// its form is a planner's
const HarvestEntry = later('the harvest', async () => (await import('../forms')).HarvestEntry);

interface HarvestCardProps {
  readonly machine: Machine;
  readonly seasonHours: number;
  readonly onChanged: () => void;
}

/** The harvest ahead; a planner can move it. */
export function HarvestCard({ machine, seasonHours, onChanged }: HarvestCardProps) {
  const { data: session } = useSession();
  const [editing, setEditing] = useState(false);
  const mayChange = session?.person && mayDo(session.person.role, 'keepMachines');
  return (
    <Card>
      <Heading>Harvest</Heading>
      {editing ? (
        <HarvestEntry
          machine={machine}
          onDone={(changed) => {
            setEditing(false);
            if (changed) onChanged();
          }}
        />
      ) : (
        <>
          <Body>{harvestWords(machine, seasonHours)}</Body>
          <Go to={onTheBench(machine)} label="Season hours on the bench">
            <Strong tone="pine">Season hours on the bench ›</Strong>
          </Go>
          {mayChange ? (
            <Press title="Change the harvest" onPress={() => setEditing(true)} small />
          ) : null}
        </>
      )}
    </Card>
  );
}

/** The same hours where they can be turned about. */
const onTheBench = ({ harvest: h }: Machine): `/bench/hours?${string}` =>
  `/bench/hours?${new URLSearchParams({
    area: printNumber(h.areaHa, 1),
    width: printNumber(h.widthM, 2),
    speed: printNumber(h.speedKmh, 2),
    efficiency: printNumber(100 * h.efficiency, 1),
  })}`;

function harvestWords({ harvest: h }: Machine, seasonHours: number): string {
  const days = `${h.crop}, ${dayWords(h.start)} to ${dayWords(h.end)}`;
  const field = `${printNumber(h.areaHa, 0)} ha at ${printNumber(h.widthM, 1)} m and ${printNumber(h.speedKmh, 1)} km/h`;
  return `${days}: ${field} take about ${printNumber(seasonHours, 0)} h.`;
}

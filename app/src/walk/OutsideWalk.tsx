import type { Check, MachineFile } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { SyncLine } from '../session/SyncLine';
import { Go, HeadRow, Notice, Screen, Strong } from '../ui';
import { backToMachine } from './backToMachine';
import { CheckTitle, WhyCard } from './CheckParts';
import { DecideOtherwise } from './DecideOtherwise';
import { PhotoStrip } from './photos/PhotoStrip';
import { RenewalCard } from './RenewalCard';
import { StrikeCard } from './StrikeCard';
import { VerdictCard } from './VerdictCard';

interface OutsideWalkProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly check: Check;
}

/** A check of which only the last reading is looked at: no walk over it is under way. */
export function OutsideWalk({ file, standing, check }: OutsideWalkProps) {
  const verdict = standing.verdicts.find((v) => v.check.id === check.id);
  return (
    <Screen title={check.component} testID="outside a walk">
      <HeadRow back={backToMachine(file)}>
        <SyncLine />
      </HeadRow>
      <CheckTitle check={check} />
      {verdict ? (
        <VerdictCard
          verdict={verdict}
          facts={standing.facts}
          otherwise={<DecideOtherwise file={file} standing={standing} verdict={verdict} />}
        />
      ) : (
        <Notice title="Not measured yet" text={check.how} />
      )}
      <Go to={`/walk/${file.machine.id}?only=${check.id}`} label="Start a short walk to measure it">
        <Strong tone="pine">Start a short walk to measure it ›</Strong>
      </Go>
      <PhotoStrip file={file} check={check} walk={undefined} />
      <RenewalCard file={file} check={check} />
      <StrikeCard file={file} check={check} />
      <WhyCard check={check} />
    </Screen>
  );
}

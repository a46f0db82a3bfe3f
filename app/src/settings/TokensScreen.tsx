import { useState } from 'react';
import {
  ApiTokens,
  TokenScope,
  type ApiToken,
  type NewToken,
} from '@green-tally/core/contracts/tokens';
import { api, troubleText, useAction, useSession } from '../store';
import { useAnswer } from '../store/hooks';
import {
  Body,
  Card,
  Chip,
  Choice,
  Heading,
  Notice,
  Press,
  Quiet,
  Row,
  SPACE,
  Strong,
  TextEntry,
} from '../ui';
import { momentWords } from '../yard/words';
import { SettingsFrame } from './SettingsFrame';

const SCOPES: Readonly<Record<TokenScope, string>> = {
  machines: 'Machines',
  readings: 'Readings',
  due: 'What is due',
  work: 'Work',
  plan: 'The plan',
  parts: 'Parts',
};

const DAYS = [
  { value: '90', title: '90 days' },
  { value: '365', title: 'a year' },
  { value: '', title: 'until taken back' },
] as const;

/** Tokens that spreadsheets and other programs read with: one branch, some lists, never a write. */
export function TokensScreen() {
  const { data, error, again } = useAnswer('GET /tokens', {}, ApiTokens);
  const tokens = data?.tokens;
  return (
    <SettingsFrame title="Tokens" testID="tokens">
      <Quiet>
        For spreadsheets and other programs. A token reads some lists of one branch and writes
        nothing. It is told once, and sent as “Authorization: Bearer …”; /api/openapi.json says what
        each list holds.
      </Quiet>
      <Making onMade={again} />
      {tokens ? null : error ? (
        <Notice
          tone="rust"
          title="Not there"
          text={troubleText(error)}
          action={{ title: 'Ask again', onPress: again }}
        />
      ) : (
        <Quiet>Asking.</Quiet>
      )}
      {tokens?.map((token) => (
        <Made key={token.id} token={token} onChanged={again} />
      ))}
    </SettingsFrame>
  );
}

function Making({ onMade }: { onMade: () => void }) {
  const { data: session } = useSession();
  const [name, setName] = useState('');
  const [scopes, setScopes] = useState<readonly TokenScope[]>(['due']);
  const [days, setDays] = useState<(typeof DAYS)[number]['value']>('365');
  const [made, setMade] = useState<NewToken>();
  const make = useAction(async () => {
    const branch = session?.person?.branch ?? '';
    const token = await api('POST /tokens', {
      body: { name: name.trim(), branch, scopes: [...scopes], days: days ? Number(days) : null },
    });
    setMade(token);
    setName('');
    onMade();
  });
  return (
    <Card testID="make token">
      <Heading>{`A token for ${session?.person?.branch ?? 'your branch'}`}</Heading>
      <TextEntry
        label="What uses it"
        value={name}
        onChange={setName}
        hint="owner’s spreadsheet"
        autoComplete="off"
      />
      <Row gap={SPACE.s}>
        {TokenScope.options.map((scope) => (
          <Chip
            key={scope}
            title={SCOPES[scope]}
            on={scopes.includes(scope)}
            onPress={() =>
              setScopes(
                scopes.includes(scope) ? scopes.filter((s) => s !== scope) : [...scopes, scope],
              )
            }
          />
        ))}
      </Row>
      <Choice label="It stands for" value={days} onChange={setDays} options={[...DAYS]} />
      <Press
        fill="pine"
        title="Make it"
        testID="make"
        loading={make.busy}
        onPress={() => void make.run()}
      />
      {make.trouble ? <Notice tone="rust" title="Not made" text={make.trouble} /> : null}
      {made ? (
        <>
          <Strong tone="pine">Copy it now. It is not told again.</Strong>
          <Body testID="token key">{made.key}</Body>
        </>
      ) : null}
    </Card>
  );
}

function Made({ token, onChanged }: { token: ApiToken; onChanged: () => void }) {
  const revoke = useAction(async () => {
    await api('DELETE /tokens/{id}', { params: { id: token.id } });
    onChanged();
  });
  const stands = token.revokedAt
    ? 'taken back'
    : token.expiresAt
      ? `stands until ${token.expiresAt.slice(0, 10)}`
      : 'stands until it is taken back';
  return (
    <Card testID={`token ${token.name}`}>
      <Strong>{`${token.name}, ${token.branch}`}</Strong>
      <Quiet>{`${token.scopes.map((s) => SCOPES[s].toLowerCase()).join(', ')} · ${stands}`}</Quiet>
      <Quiet>{`made ${momentWords(token.madeAt)} by ${token.madeBy}, ${token.usedAt ? `last used ${momentWords(token.usedAt)}` : 'not used yet'}`}</Quiet>
      {token.revokedAt ? null : (
        <Press
          small
          title="Take back"
          label={`Take back ${token.name}`}
          loading={revoke.busy}
          onPress={() => void revoke.run()}
        />
      )}
      {revoke.trouble ? <Notice tone="rust" title="Not taken back" text={revoke.trouble} /> : null}
    </Card>
  );
}

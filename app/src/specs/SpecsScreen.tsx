import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { troubleText, useSession, useSpecModels } from '../store';
import { Card, Heading, Loading, Notice, Quiet, Row, Screen, Strong, Tap, Title } from '../ui';
import { dayWords } from '../yard/words';
import { ImportSheet } from './ImportSheet';

/** Specs: a sheet for each model, and the way in for new ones. */
export function SpecsScreen() {
  const { data, error, isLoading, again } = useSpecModels();
  const { data: session } = useSession();
  const router = useRouter();
  const keeps = session?.person?.role === 'planner' || session?.person?.role === 'admin';
  return (
    <Screen testID="specs">
      <Title>Specs</Title>
      <Quiet>
        What is checked on each model, how, and where the limits lie. A reading stays judged by the
        revision it was taken under.
      </Quiet>
      {error && !data ? (
        <Notice
          tone="rust"
          title="The specs cannot be shown"
          text={troubleText(error)}
          action={{ title: 'Try again', onPress: again }}
        />
      ) : null}
      {isLoading && !data ? <Loading what="the specs" /> : null}
      {data && !data.items.length ? (
        <Notice
          title="No spec sheet yet"
          text={keeps ? 'Import one below: JSON or YAML.' : 'A planner imports them here.'}
        />
      ) : null}
      {(['combine', 'header'] as const).map((kind) => {
        const own = data?.items.filter((i) => i.machine === kind) ?? [];
        return own.length ? (
          <View key={kind} style={{ gap: 8 }}>
            <Heading>{kind === 'combine' ? 'Combines' : 'Headers'}</Heading>
            {own.map((item) => (
              <Tap
                key={item.model}
                testID={`spec ${item.model}`}
                label={`${item.maker} ${item.model}, revision ${item.revision}, ${item.checks} checks`}
                onPress={() => router.push(`/specs/${encodeURIComponent(item.model)}`)}
              >
                <Card edge={item.draft && keeps ? 'violet' : 'line'}>
                  <Row style={{ justifyContent: 'space-between' }}>
                    <Heading>{`${item.maker} ${item.model}`}</Heading>
                    <Strong>{`${item.checks} checks`}</Strong>
                  </Row>
                  <Quiet>{`revision ${item.revision} · ${dayWords(item.publishedAt.slice(0, 10))} · ${item.publishedBy}`}</Quiet>
                  {item.remark ? <Quiet>{item.remark}</Quiet> : null}
                  {item.draft && keeps ? (
                    <Strong tone="violet">{`Draft open, last saved by ${item.draft.by}`}</Strong>
                  ) : null}
                </Card>
              </Tap>
            ))}
          </View>
        ) : null;
      })}
      {keeps ? <ImportSheet /> : null}
    </Screen>
  );
}

import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Row, TextEntry } from '../../ui';

interface FindRowProps {
  readonly find: string;
  readonly onFind: (text: string) => void;
  readonly hint: string;
  /** which rows or columns are shown */
  readonly children: ReactNode;
}

/** Above a table: what is looked for, and what of it is shown. */
export const FindRow = ({ find, onFind, hint, children }: FindRowProps) => (
  <Row>
    <View style={styles.find}>
      <TextEntry label="Find a check" value={find} onChange={onFind} hint={hint} />
    </View>
    {children}
  </Row>
);

const styles = StyleSheet.create({ find: { flexGrow: 1, minWidth: 220 } });

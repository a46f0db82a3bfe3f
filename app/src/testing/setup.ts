import 'fake-indexeddb/auto';

jest.mock('expo-font', () => ({
  ...jest.requireActual<object>('expo-font'),
  isLoaded: () => true,
  useFonts: () => [true, null],
}));

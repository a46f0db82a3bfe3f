import { configure } from '@testing-library/react-native';

// what is waited for comes on a slow machine too
configure({ asyncUtilTimeout: 20_000 });

export * from './catalogue';
export * from './demand';
export * from './van';

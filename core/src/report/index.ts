export * from './asOf';
export * from './report';
export * from './season';

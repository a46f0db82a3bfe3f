export * from './report';
export * from './season';

export * from './route';
export * from './routes';

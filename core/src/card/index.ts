export * from './said';

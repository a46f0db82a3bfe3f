export { limitWords } from './measure/words';
export { FEEL_WORDS } from './travel/words';
export * from './kind';
export * from './registry';
export type { CsvRow } from './csv';
export { judgeBand } from './measure/band';
export * from './measure/wear';
export { expectedOption } from './setting/judge';

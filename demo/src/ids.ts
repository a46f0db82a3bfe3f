import { parse, v5 as uuidv5 } from 'uuid';

const NAMESPACE = parse('0d9a6f0e-7a53-4a0e-9d53-1f3f4f0c2b11');

/** The same name gives the same id, so that pictures and tests do not drift. */
export const demoId = (name: string): string => uuidv5(name, NAMESPACE);

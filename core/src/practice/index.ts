export * from './cases';
export * from './debrief';
export * from './instruments';
export * from './link';
export * from './play';
export * from './players';
export { KINDS, MACHINE_KINDS, type MachineKind } from './sheets';

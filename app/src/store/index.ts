export { ApiProblem, bytesOf, pathOf, request, troubleText, Unreachable } from './api';
export { api } from './inTurn';
export * from './drafts';
export { useTools } from './tools';
export * from './hooks';
export * from './lists';
export { startLive } from './live';
export { local, type Outgoing } from './local';
export { painted } from './painted';
export {
  dismiss,
  isHeld,
  othersWait,
  ownOutbox,
  put,
  sendAgain,
  startOutbox,
  takeBack,
} from './outbox';
export { clearDevice, makeOwn } from './owner';
export type { Sync } from './sync';
export * from './useAction';
export { newTick, useTick } from './useTick';
export { notesAmong, pageWithNotes } from './visitNotes';

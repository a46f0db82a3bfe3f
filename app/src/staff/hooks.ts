import { Access, AuditPage, OpenSessions, Staff } from '@green-tally/core/contracts/staff';
import { useAnswer } from '../store/hooks';

/*
 * What admins ask of people, and everybody of their own devices. Loaded with these screens alone.
 */

/** People as an admin sees them. */
export const useStaff = () => useAnswer('GET /staff', {}, Staff);
/** The devices one is signed in on. */
export const useSessions = () => useAnswer('GET /sessions', {}, OpenSessions);
/** Whose machines people may look at. */
export const useAccess = () => useAnswer('GET /access', {}, Access);
/** A page of what was changed. */
export const useAudit = (by: string, cursor: string | undefined) =>
  useAnswer('GET /audit', { query: { by: by || undefined, cursor, limit: 100 } }, AuditPage);

import { z } from 'zod';
import { Day, Moment, ShortText } from '../common';
import { Password, Person } from '../people';

/*
 * What admins do with people, and what everybody does with their own password and devices. Loaded
 * with those screens alone.
 */

/** A person as an admin sees them. */
export const StaffPerson = Person.extend({
  suspendedAt: Moment.nullable(),
  mustChange: z.boolean().describe('has a password that an admin has set, and is to change it'),
  sessions: z.int().describe('devices signed in'),
  lastSeen: Moment.nullable().describe('null: on no device that is signed in'),
  visits: z.int().describe('visits from today on'),
});
export type StaffPerson = z.infer<typeof StaffPerson>;
export const Staff = z.object({ people: z.array(StaffPerson), branches: z.array(z.string()) });

/** What is changed of a person: only what is named. */
export const PersonChange = z
  .object({
    name: ShortText.optional(),
    role: Person.shape.role.optional(),
    branch: ShortText.optional(),
    suspended: z.boolean('suspended or not').optional(),
  })
  .refine((change) => Object.values(change).some((v) => v !== undefined), {
    path: ['name'],
    message: 'at least one thing to change',
  });
export type PersonChange = z.infer<typeof PersonChange>;

/** A person's own new password, and the one they have. */
export const PasswordChange = z.object({
  old: z.string().min(1, 'the password you have now').max(200),
  password: Password,
});
export type PasswordChange = z.infer<typeof PasswordChange>;

/** A password that an admin sets: it opens the door once, to set one's own. */
export const PasswordReset = z.object({ password: Password });

/** A device that somebody is signed in on. `id` opens nothing. */
export const OpenSession = z.object({
  id: z.string(),
  startedAt: Moment.nullable(),
  lastSeen: Moment,
  device: z.string().describe('what it said of itself'),
  here: z.boolean().describe('the one that asks'),
});
export type OpenSession = z.infer<typeof OpenSession>;
export const OpenSessions = z.object({ sessions: z.array(OpenSession) });

/** Something that somebody changed, or a sign-in. */
export const AuditEntry = z.object({
  id: z.string(),
  at: Moment,
  by: z.string(),
  what: z.string().describe('in words'),
  subject: z.string().describe('of which person, machine, model; empty where it is of all'),
  detail: z.string().describe('which fields, and from what to what where that bears on rights'),
});
export type AuditEntry = z.infer<typeof AuditEntry>;
export const AuditAsked = z.object({
  by: z.string().max(120).optional(),
  from: Day.optional(),
  to: Day.optional(),
  cursor: z.string().max(40).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type AuditAsked = z.output<typeof AuditAsked>;
export const AuditPage = z.object({ entries: z.array(AuditEntry), next: z.string().nullable() });
export type AuditPage = z.infer<typeof AuditPage>;

/** Whose machines people may look at; they write to their own branch's alone, whatever is set. */
export const Access = z.object({ reads: z.enum(['own', 'all'], 'own or all') });
export type Access = z.infer<typeof Access>;

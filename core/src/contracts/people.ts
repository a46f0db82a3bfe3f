import { z } from 'zod';
import { Id, ShortText } from './common';

export const Person = z.object({
  id: Id,
  name: ShortText,
  signIn: ShortText,
  role: z.enum(['technician', 'planner', 'admin']),
  branch: ShortText,
  suspended: z.literal(true).optional().describe('may not sign in any more'),
});
export type Person = z.infer<typeof Person>;
export type Role = Person['role'];

export const Password = z.string().min(10, 'a password of at least 10 characters').max(200);
const SignInName = z.string().trim().min(2, 'a sign-in name').max(60);
export const SignIn = z.object({
  signIn: SignInName,
  password: z.string().min(1, 'a password').max(200),
});
export const Setup = z.object({
  branch: ShortText,
  name: ShortText,
  signIn: SignInName,
  password: Password,
});
export const NewPerson = z.object({
  name: ShortText,
  signIn: SignInName,
  password: Password,
  role: Person.shape.role,
});

/** What the app asks first: who am I, what day is it here, does this place need its first admin. */
export const Session = z.object({
  person: Person.nullable(),
  needsSetup: z.boolean(),
  mustChange: z
    .boolean()
    .default(false)
    .describe('signed in by a password that somebody else has set: it is to be changed first'),
  now: z.string(),
  demo: z.boolean(),
  gauge: z
    .string()
    .nullable()
    .default(null)
    .describe('address of a wireless gauge near by; null: there is none'),
  demoSignIns: z.array(
    z.object({ signIn: z.string(), password: z.string(), name: z.string(), role: z.string() }),
  ),
});
export type Session = z.infer<typeof Session>;

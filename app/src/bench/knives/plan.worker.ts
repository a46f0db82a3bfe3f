import { planKnives } from '@green-tally/core/knives';
import { answerApart } from '../../store/apart';

/* Looks for the fewest new knives on a thread of its own. */
answerApart(({ of }: { readonly of: Parameters<typeof planKnives> }) => planKnives(...of));

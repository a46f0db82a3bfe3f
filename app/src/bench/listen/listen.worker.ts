import { listen } from '@green-tally/core/note';
import { answerApart } from '../../store/apart';

/* Listens on a thread of its own, so that the screen does not wait. */
answerApart(({ samples, rate }: { readonly samples: Float32Array; readonly rate: number }) =>
  listen([samples], rate),
);

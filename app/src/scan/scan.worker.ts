import jsQR from 'jsqr';
import { answerApart } from '../store/apart';

/* Looks for a code in a picture, on a thread of its own. */
answerApart(
  ({ picture: { data, width, height } }: { readonly picture: ImageData }) =>
    jsQR(data, width, height)?.data ?? null,
);

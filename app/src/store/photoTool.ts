import { z } from 'zod';
import { ReadingTool } from '@green-tally/core/contracts';
import { useDraft } from './drafts';

/** What was read from a photo: the text as it stands in the pad, and how far that photo can be trusted. */
const FromPhoto = z.object({ text: z.string(), tool: ReadingTool }).nullable();
type FromPhoto = z.infer<typeof FromPhoto>;

/** A length that came from a photo on its way into the pad of a reading, kept over a reload. */
export function usePhotoTool(draftKey: string) {
  const [kept, keep] = useDraft<FromPhoto>(`${draftKey}|photo`, FromPhoto, null);
  return {
    keep,
    /** the tool of what stands in the pad, where that is what the photo said and nothing else */
    toolOf: (text: string): ReadingTool | undefined =>
      kept && kept.text === text.trim() ? kept.tool : undefined,
  };
}

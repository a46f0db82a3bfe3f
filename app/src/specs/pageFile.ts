import type { SheetPage } from '@green-tally/core/contracts';
import { pageShown } from './keptPages';

/** A chosen file as base64, without its heading. */
export const base64Of = (file: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^[^,]*,/, ''));
    reader.onerror = () => reject(reader.error ?? new Error('The file cannot be read.'));
    reader.readAsDataURL(file);
  });

/** Opens a page beside the app. */
export async function openPage({ id }: Pick<SheetPage, 'id'>): Promise<void> {
  const { data, mime } = await pageShown(id);
  const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
  globalThis.open?.(URL.createObjectURL(new Blob([bytes], { type: mime })), '_blank');
}

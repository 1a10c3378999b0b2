import { useRef } from 'react';
import { api, kept } from '../../api/client';
import { useEdit } from '../../pieces/useEdit';
import type { Sheet } from './queries';

/** The server takes no more; a picture of a phone may well have more. */
const mostBytes = 5_000_000;
const side = 1600;

export const pictureOf = (picture: string, small = true) => `/api/pictures/${picture}${small ? '?small=true' : ''}`;

/** A picture that is too large for the server is made smaller here; what the browser can't read goes as it is, and the server says why. */
export async function sendable(file: File): Promise<Blob> {
  if (file.size <= mostBytes) return file;
  try {
    const read = await createImageBitmap(file);
    const scale = Math.min(1, side / Math.max(read.width, read.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(read.width * scale);
    canvas.height = Math.round(read.height * scale);
    canvas.getContext('2d')?.drawImage(read, 0, 0, canvas.width, canvas.height);
    return (await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.9))) ?? file;
  } catch {
    return file;
  }
}

/** A file as it goes with what is said beside it. */
export async function base64Of(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return btoa(text);
}

/** Gives a recipe a picture, or takes it away. */
export function usePicture(sheet: Sheet, id: string) {
  const edit = useEdit();
  const chooser = useRef<HTMLInputElement>(null);
  const path = { params: { path: { id } } };
  const show = (file: File | undefined) => {
    if (!file) return;
    void edit.run({
      ask: async () => {
        const body = await sendable(file);
        return kept(
          api.PUT('/api/recipes/{id}/picture', {
            ...path,
            body: body as unknown as string,
            bodySerializer: () => body,
            headers: { 'Content-Type': 'application/octet-stream' },
          }),
        );
      },
      say: `${sheet.name} has ${sheet.picture ? 'another' : 'a'} picture.`,
    });
  };
  const takeAway = () =>
    edit.run({ ask: () => kept(api.DELETE('/api/recipes/{id}/picture', path)), say: `The picture of ${sheet.name} is taken away.` });
  return { show, takeAway, chooser, isPending: edit.isPending };
}

import { create } from 'zustand';

/** A photograph laid under the films; it stays in this window and is kept nowhere. */
interface PhotoState {
  image: ImageBitmap | null;
  name: string;
  /** From pixels to nm, nine numbers by rows; null until it is laid down. */
  toBoard: readonly number[] | null;
  worstMm: number;
  /** 0 shows the films, 1 the photograph. */
  fade: number;
  /** Whether the parts of the placement lie over it, for an assembled board. */
  withParts: boolean;
  take: (image: ImageBitmap, name: string) => void;
  lay: (toBoard: readonly number[], worstMm: number) => void;
  setFade: (fade: number) => void;
  setWithParts: (on: boolean) => void;
  drop: () => void;
}

export const usePhoto = create<PhotoState>((set) => ({
  image: null,
  name: '',
  toBoard: null,
  worstMm: 0,
  fade: 0.5,
  withParts: false,
  take: (image, name) => set({ image, name, toBoard: null, worstMm: 0 }),
  lay: (toBoard, worstMm) => set({ toBoard, worstMm }),
  setFade: (fade) => set({ fade }),
  setWithParts: (withParts) => set({ withParts }),
  drop: () => set({ image: null, name: '', toBoard: null }),
}));

/** More cannot be laid on the table in a browser without stumbling. */
export const MOST_BYTES = 80 * 1024 * 1024;

/** A picture of a file, or a sentence that says why it is none. */
export async function readPhoto(file: File): Promise<ImageBitmap> {
  if (file.size > MOST_BYTES) {
    const mb = Math.round(file.size / 1024 / 1024);
    throw new Error(
      `${file.name} has ${mb} MB, and up to 80 MB can be laid down. Scan it with 600 dots an inch, or save it smaller.`,
    );
  }
  try {
    return await createImageBitmap(file);
  } catch {
    throw new Error(`${file.name} is no picture that can be read here. Take a PNG or a JPEG.`);
  }
}

import type { PhotoDocument } from '@/core/formats';

export type PhotoKind = 'wish' | 'hair';

/** A photo of a client; the server's reads have this shape. */
export interface Photo {
  readonly id: string;
  readonly visitId: string | null;
  readonly kind: PhotoKind;
  readonly width: number;
  readonly height: number;
  readonly note: string;
  readonly document: PhotoDocument;
  readonly revision: number;
  readonly takenAt: string;
  readonly takenBy: string;
}

export const photoAddress = (id: string, size: 'full' | 'small') => `/api/photos/${id}/${size}`;

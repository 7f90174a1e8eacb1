/** How the hair is worn. */
export type Way =
  /** Down, parted so far from the middle, mm, + the client's left. */
  | { readonly kind: 'down'; readonly partMm: number }
  | { readonly kind: 'tied'; readonly at: 'low' | 'middle' | 'high' };

/** From where the head is looked at; the client's left is screen-left in every one but the front, which is seen as it is. */
export const VIEWS = {
  front: { azimuthDeg: 0, heightDeg: 0 },
  left: { azimuthDeg: 90, heightDeg: 0 },
  right: { azimuthDeg: -90, heightDeg: 0 },
  back: { azimuthDeg: 180, heightDeg: 0 },
  top: { azimuthDeg: 180, heightDeg: 80 },
} as const;
export type View = keyof typeof VIEWS;

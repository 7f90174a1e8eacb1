/** Where a photo's bytes are read. */
export const photoAddress = (id: string, size: 'full' | 'small') => `/api/photos/${id}/${size}`;

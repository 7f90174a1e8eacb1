import { parentPort, workerData } from 'node:worker_threads';
import heif from 'libheif-js/wasm-bundle.js';

/*
 * Decodes a HEIC picture in a thread of its own (picture.ts): takes { bytes, most }, answers { width, height, pixels };
 * without pixels where there would be more than `most`.
 */
const [image] = new heif.HeifDecoder().decode(workerData.bytes);
if (!image) throw new Error('no picture');
const width = image.get_width();
const height = image.get_height();
if (width * height > workerData.most) parentPort.postMessage({ width, height });
else
  image.display({ data: new Uint8ClampedArray(4 * width * height), width, height }, (shown) => {
    if (!shown) throw new Error('cannot be shown');
    parentPort.postMessage({ width, height, pixels: shown.data.buffer }, [shown.data.buffer]);
  });

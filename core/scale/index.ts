export { LineBuffer, readScaleLine, scaleLine, type ScaleLine } from './protocol';
export { against, scaledUp, toleranceOf, type Against } from './weighing';

export { accuracyOf, lessonOf, type Accuracy, type Compared } from './accuracy';
export { handLift, productSpeed, type Lifted, type OfService } from './lift';
export { paceOf, pacePercent, type Pace, type PaceSample } from './pace';

export { accuracyOf, lessonOf, type Accuracy, type Compared, type Lesson } from './accuracy';
export { handLift, productSpeed, type Lifted, type LiftSample, type OfService } from './lift';
export { paceOf, pacePercent, type Pace, type PaceSample } from './pace';

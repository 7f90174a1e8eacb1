export { accuracyOf, lessonOf, type Accuracy, type Compared, type Lesson } from './accuracy';
export { paceOf, pacePercent, type Pace, type PaceSample } from './pace';

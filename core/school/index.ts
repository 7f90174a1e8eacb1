export { SCHOOL_KEYS, SCHOOLS, USUAL_SCHOOLS, type School, type SchoolKey, type Schools } from './schools';

export { SCHOOL_KEYS, SCHOOLS, USUAL_SCHOOLS, type SchoolKey, type Schools } from './schools';

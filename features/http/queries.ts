import 'server-only';

export { unavailable } from '@/data/unavailable';
export { errorFacts, routeOf, watch } from '@/data/watch';

import 'server-only';

export { unavailable } from '@/data/unavailable';

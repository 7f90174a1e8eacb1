import 'server-only';

export type { KeptTest, Safety } from '@/data/safety';

import 'server-only';

export type { Consent, GivenReason, KeptTest, Safety } from '@/data/safety';

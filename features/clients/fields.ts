export { CLIENT_FIELDS, clientForm, type ClientField } from '@/core/formats';

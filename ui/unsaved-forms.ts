/** Forms that ask before they are left and were changed since they were shown or sent. */
export const UNSAVED = 'form[data-asks][data-changed]';

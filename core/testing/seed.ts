import fc from 'fast-check';

/** Property tests draw the same cases every time. */
fc.configureGlobal({ seed: 20261124 });

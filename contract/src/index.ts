export * from './analyses';
export * from './codebook';
export * from './errors';
export * from './imports';
export * from './settings';
export * from './studies';

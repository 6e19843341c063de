export { createApp } from './app';
export { connect, type Database } from './database/connect';
export { migrate } from './database/migrate';
export { loadDemo } from './demo/load-demo';
export { readTable } from './imports/read-table';
export { createInlineWorkers } from './workers/workers';

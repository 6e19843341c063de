export { createApp } from './app';
export { connect, type Database } from './database/connect';
export { migrate } from './database/migrate';
export { loadDemo } from './demo/load-demo';
export { readBytes } from './imports/read-bytes';
export { Spool } from './imports/spool';
export { Jobs } from './jobs/jobs';
export { createStudy } from './studies/create-study';
export { createInlineWorkers, type Workers } from './workers/workers';

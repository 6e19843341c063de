import { expose } from 'comlink';
import { createComputing } from './computing';

expose(createComputing());

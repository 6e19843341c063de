import { expose } from 'comlink';
import { setsComputing } from './sets-computing';

expose(setsComputing);

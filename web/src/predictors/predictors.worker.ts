import { expose } from 'comlink';
import { predictorComputing } from './computing';

expose(predictorComputing);

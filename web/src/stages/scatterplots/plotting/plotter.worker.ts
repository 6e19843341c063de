import { expose } from 'comlink';
import { createDrawing } from './drawing';

expose(createDrawing());

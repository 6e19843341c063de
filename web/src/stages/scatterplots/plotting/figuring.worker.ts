import { expose } from 'comlink';
import { createFiguring } from './figuring';

expose(createFiguring());

import { expose } from 'comlink';
import { heavyApi } from './heavy-api.ts';

expose(heavyApi);

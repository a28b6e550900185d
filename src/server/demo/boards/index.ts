import type { DemoBoard } from '../demoBoard';
import { BEACON } from './beacon';
import { DIMMER } from './dimmer';
import { DOOR } from './door';
import { PROJECTOR } from './projector';
import { TIDE } from './tide';
import { VALIDATOR } from './validator';
import { WIND } from './wind';

export const DEMO_BOARDS: readonly DemoBoard[] = [BEACON, DIMMER, DOOR, PROJECTOR, VALIDATOR, TIDE, WIND];

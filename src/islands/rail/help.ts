import { atom } from 'nanostores';

export const $helpOpen = atom(false);

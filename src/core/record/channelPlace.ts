/** Where what a channel reads is: on the work, on a tool, or in the room. */
export const CHANNEL_PLACES = ['land', 'body', 'board', 'tool', 'room', 'elsewhere'] as const;
export type ChannelPlace = (typeof CHANNEL_PLACES)[number];

export const address = 'thread';

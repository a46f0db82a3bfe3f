export const DOWN = 'Header down in working position';
export const RAISED = 'Header raised on its stops';
export const SIDE = 'Header down, end shields open, turned by hand';
export const LEVELLED = 'Header levelled on its stands, cold';
export const ON_GROUND = 'Header on the ground, level';
export const REEL_DOWN = 'Header raised on its stops, reel at its lowest';
export const REEL_UP = 'Header raised on its stops, reel raised on its stops';
export const HEADER_RUNNING = 'Everyone clear, header in working position, running';
export const HEADER_WARM = 'Header in working position, just run and stopped, made safe';
export const REMARK =
  'First whole sheet. The made-up numbers of this book; the maker’s manual goes before them.';

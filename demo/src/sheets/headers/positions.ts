export const DOWN = 'Header down in working position';
export const RAISED = 'Header raised on its stops';
export const SIDE = 'Header down, end shields open, turned by hand';
export const LEVELLED = 'Header levelled on its stands, cold';
export const REMARK =
  'First whole sheet. The made-up numbers of this book; the maker’s manual goes before them.';

export { auger } from './auger';
export { draper } from './draper';
export { rowCrop } from './rowCrop';

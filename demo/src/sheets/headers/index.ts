export { auger } from './auger';
export { draper } from './draper';
export { rigid } from './rigid';
export { rowCrop } from './rowCrop';

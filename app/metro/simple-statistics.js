// What core uses of simple-statistics, each from its own file; see metro.config.js.
export { default as errorFunction } from '../../node_modules/simple-statistics/src/error_function.js';
export { default as median } from '../../node_modules/simple-statistics/src/median.js';
export { default as probit } from '../../node_modules/simple-statistics/src/probit.js';
export { default as standardDeviation } from '../../node_modules/simple-statistics/src/standard_deviation.js';

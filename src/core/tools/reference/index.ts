export { findAll, MOST_FOUND } from './find';

export { PIXELS, protractorMarks, rulerMarks, USUAL_PROTRACTOR, USUAL_RULERS, type ScaleMark } from './marks';
export { angleOf, angleTo, laidIn, type Laid } from './placing';

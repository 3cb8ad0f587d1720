export { scriptOf, wordAt, type Piece, type Sentence, type SpokenWord } from './script';

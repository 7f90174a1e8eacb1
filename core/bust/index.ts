export { bustMesh, bustOf, type Bust, type BustMesh } from './bust';

export { CatalogueScreen as default } from '../../parts/CatalogueScreen';

import { onEach } from "./each";
import { layOutMasonry } from "./masonryColumns";

onEach("[data-masonry]", layOutMasonry);

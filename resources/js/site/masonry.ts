import { layOutMasonry } from "./masonryColumns";
import { onEach } from "./shared/each";

onEach("[data-masonry]", layOutMasonry);

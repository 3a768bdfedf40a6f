@include('site.blocks.picture', ['lazy' => false, 'classes' => $block->classes()])

<h2 class="block-heading">{{ $block->text }}</h2>

<h{{ $level }} class="block-heading">{{ $block->text }}</h{{ $level }}>

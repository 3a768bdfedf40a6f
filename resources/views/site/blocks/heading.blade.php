@if ($block->text !== '')
    <h{{ $level }} class="block-heading">{{ $block->text }}</h{{ $level }}>
@endif

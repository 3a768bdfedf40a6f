<span class="{{ $partClass }}">{!! $before !!}{{ $made->text }}{!! $after !!}</span>

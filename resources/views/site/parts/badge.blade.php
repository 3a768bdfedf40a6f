<span class="{{ $partClass }} tag tone-{{ $made->part->option('tone') }}">{{ $made->text }}</span>

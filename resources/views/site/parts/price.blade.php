<span class="{{ $partClass }}">{!! $before !!}@forelse ($made->value->pieces as $piece)
@if ($piece->role === 'former')<s class="former"><span class="unseen"
    >@say('listing.before') </span>{{ $piece->text }}</s>
@elseif ($piece->role === 'badge')<span class="tag tone-accent">{{ $piece->text }}</span>
@else<span class="now">{{ $piece->text }}</span>
@endif
@empty{{ $made->text }}@endforelse{!! $after !!}</span>

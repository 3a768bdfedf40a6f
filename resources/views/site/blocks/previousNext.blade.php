<nav class="previous-next" aria-label="@plain('page.previousAndNext')">
    @foreach (['previous', 'next'] as $key)
        @if (isset($links[$key]))
            <a class="to-{{ $key }}" rel="{{ $key === 'next' ? 'next' : 'prev' }}" href="{{ $links[$key]['address'] }}"
                ><span class="said-before">@say("listing.{$key}")</span> {{ $links[$key]['title'] }}</a>
        @endif
    @endforeach
</nav>

<nav class="previous-next" aria-label="Previous and next">
    @foreach (['previous' => 'Previous', 'next' => 'Next'] as $key => $said)
        @if (isset($links[$key]))
            <a class="to-{{ $key }}" rel="{{ $key === 'next' ? 'next' : 'prev' }}" href="{{ $links[$key]['address'] }}"
                ><span class="said-before">{{ $said }}</span> {{ $links[$key]['title'] }}</a>
        @endif
    @endforeach
</nav>

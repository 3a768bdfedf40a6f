@if ($video['kind'] === 'file')
    <video @class(['film', "film-{$video['shape']}"]) src="{{ $video['address'] }}" controls playsinline
        preload="{{ $video['isOwn'] ? 'metadata' : 'none' }}" @if ($video['loop']) loop @endif
        aria-label="{{ $video['title'] }}"></video>
@elseif ($video['kind'] === 'frame')
    {{-- Nothing comes from the other site before the visitor asks for it. --}}
    <div class="film film-{{ $video['shape'] }}" data-film="{{ $video['frame'] }}" data-title="{{ $video['title'] }}">
        <a class="film-open" href="{{ $video['address'] }}" rel="noopener noreferrer">
            @if ($video['picture'] !== null)
                @include('site.picture', [
                    'media' => $video['picture'], 'alt' => '', 'lazy' => true,
                    'sizes' => '(min-width: 1024px) 60vw, 92vw',
                ])
            @endif
            <span class="play-mark" aria-hidden="true"></span>
            <span class="film-words"
                >@say('page.playVideo', ['title' => $video['title'], 'site' => $video['site']])</span>
        </a>
    </div>
@else
    <p class="film-link"><a href="{{ $video['address'] }}" rel="noopener noreferrer">{{ $video['title'] }}</a></p>
@endif

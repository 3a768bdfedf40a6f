@if ($pictures !== [])
    <div class="item-pictures">
        @foreach ($pictures as $i => $media)
            @include('site.picture', [
                'media' => $media,
                'class' => 'item-picture',
                'alt' => $media->alt,
                'sizes' => $i === 0 ? '(min-width: 1024px) 45vw, 92vw' : '(min-width: 1024px) 22vw, 45vw',
                'lazy' => $i > 0,
            ])
        @endforeach
    </div>
@endif
@foreach ($texts as $text)
    <div class="prose">{!! $text !!}</div>
@endforeach
@foreach ($videos as $video)
    @if ($video['own'])
        <video class="item-film" src="{{ $video['address'] }}" controls preload="metadata"
            aria-label="{{ $video['label'] }}"></video>
    @else
        <p class="film-link"><a href="{{ $video['address'] }}" rel="noopener">{{ $video['label'] }}</a></p>
    @endif
@endforeach
@if ($facts !== [])
    <dl class="facts">
        @foreach ($facts as $fact)
            <div>
                <dt>{{ $fact['label'] }}</dt>
                <dd>
                    @forelse ($fact['links'] as $link)
                        <a href="{{ $link['address'] }}">{{ $link['text'] }}</a>@if (! $loop->last), @endif
                    @empty
                        {{ $fact['text'] }}
                    @endforelse
                </dd>
            </div>
        @endforeach
    </dl>
@endif

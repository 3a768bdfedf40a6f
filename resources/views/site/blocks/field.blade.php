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
    @include('site.video')
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
                    @foreach ($fact['lines'] ?? [] as $line)<span class="fact-line">{{ $line }}</span>@endforeach
                </dd>
            </div>
        @endforeach
    </dl>
@endif
@foreach ($linked as $group)
    <section class="linked" aria-label="{{ $group['label'] }}">
        <p class="linked-label">{{ $group['label'] }}</p>
        @foreach ($group['items'] as $item)
            <div class="linked-item">
                @if ($item['picture'] !== null)
                    @include('site.picture', [
                        'media' => $item['picture'],
                        'class' => 'linked-picture',
                        'alt' => '',
                        'sizes' => '4.5rem',
                        'lazy' => true,
                    ])
                @endif
                <p>
                    <a class="linked-title" href="{{ $item['address'] }}">{{ $item['title'] }}</a>
                    @if ($item['line'] !== '')<span>{{ $item['line'] }}</span>@endif
                    @foreach ($item['links'] as $link)
                        <a href="{{ $link['address'] }}">{{ $link['text'] }}</a>
                    @endforeach
                </p>
            </div>
        @endforeach
    </section>
@endforeach

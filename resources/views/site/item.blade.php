@extends('site.layout')
@section('title', $page->item->title)
@section('head')
    @include('site.head', [
        'title' => $page->item->title,
        'description' => \App\Site\Subject::summary((string) $page->item->text),
        'picture' => $page->pictures[0]->name ?? null,
        'address' => \App\Site\SitePages::itemAddress($page->type, $page->item->slug),
    ])
@endsection
@section('content')
    @php($pictures = $page->pictures)
    <article @class(['item', 'has-picture' => $pictures !== []])>
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
        <div class="item-words">
            <h1>{{ $page->item->title }}</h1>
            @if ($page->item->text !== null)<div class="prose">{!! $page->item->text !!}</div>@endif
            @foreach ($page->videos as $video)
                @if ($video['own'])
                    <video class="item-film" src="{{ $video['address'] }}" controls preload="metadata"
                        aria-label="{{ $video['label'] }}"></video>
                @else
                    <p><a href="{{ $video['address'] }}" rel="noopener">{{ $video['label'] }}</a></p>
                @endif
            @endforeach
            @if ($page->facts !== [])
                <dl class="facts">
                    @foreach ($page->facts as $fact)
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
        </div>
    </article>
@endsection

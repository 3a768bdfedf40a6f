@extends('site.layout', ['frame' => $result->frame])
@section('title', $result->page->address->pattern === '/' ? '' : $result->subject->title)
@section('head')
    @include('site.head', [
        'title' => $result->subject->title,
        'description' => $result->page->description ?: $result->subject->summary($result->subject->text),
        'picture' => $result->page->picture ?? $result->subject->picture,
        'address' => $result->address->whole(),
    ])
    @includeWhen(isset($structured), 'site.structured', ['data' => $structured ?? []])
@endsection
@if ($result->usesScript())
    @push('scripts')
        @vite('resources/js/site/main.ts')
    @endpush
@endif
@section('content')
    @if ($result->page->showsTitle)
        <div class="page-head">
            <h1>{{ $result->subject->title }}</h1>
            @if ($result->page->description !== '')<p class="intro">{{ $result->page->description }}</p>@endif
        </div>
    @elseif (! $result->hasTitle())
        <h1 class="unseen">{{ $result->subject->title }}</h1>
    @endif
    @foreach ($result->bands as $band)
        <div class="band band-{{ $band->band->tone->value }}" data-band="{{ $band->band->key }}">
            <div class="band-slots">
                @foreach ($band->slots as $slot)
                    <div class="slot share-{{ $slot->slot->share }}">
                        @foreach ($slot->blocks as $block){!! $block->html !!}@endforeach
                    </div>
                @endforeach
            </div>
        </div>
    @endforeach
@endsection

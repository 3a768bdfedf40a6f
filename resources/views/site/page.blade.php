@extends('site.layout')
@section('title', $result->page->address->pattern === '/' ? '' : $result->page->title)
@if ($result->usesScript())
    @push('scripts')
        @vite('resources/js/site/main.ts')
    @endpush
@endif
@section('content')
    <div class="page-head">
        <h1>{{ $result->page->title }}</h1>
        @if ($result->page->description !== '')<p class="intro">{{ $result->page->description }}</p>@endif
    </div>
    @foreach ($result->bands as $band)
        <div class="band band-{{ $band->band->tone->value }}" data-band="{{ $band->band->key }}">
            @foreach ($band->slots as $slot)
                <div class="slot share-{{ $slot->slot->share }}">
                    @foreach ($slot->blocks as $block){!! $block->html !!}@endforeach
                </div>
            @endforeach
        </div>
    @endforeach
@endsection

@extends('site.layout', ['frame' => $result->frame])
@section('title', $result->address->path === '/' ? '' : $result->subject->title)
@section('head')
    {{-- Of what visitors can choose together there is no end; search engines need not try. --}}
    @if (($isStandIn ?? false) || $result->isOneOfMany)<meta name="robots" content="noindex">@endif
    @include('site.head', [
        'title' => $result->subject->title,
        'description' => $result->page->description ?: $result->subject->summary($result->subject->text),
        'picture' => $result->page->picture ?? $result->subject->picture,
        'address' => $result->address->whole(),
    ])
    @includeWhen(isset($structured), 'site.structured', ['data' => $structured ?? []])
@endsection
@if ($ownStylesSheet !== null)
    @push('scripts')
        <link rel="stylesheet" href="{{ $ownStylesSheet }}">
    @endpush
@endif
@if ($result->scripts() !== [])
    @push('scripts')
        @vite($result->scripts())
    @endpush
@endif
@if (isset($bar))
    @push('scripts')
        @vite(['resources/css/manager-bar.css', 'resources/js/site/managerBar.ts'])
    @endpush
    @section('bar')
        @include('site.manager-bar')
    @endsection
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
        <div @class(['band', 'band-'.$band->band->tone->value, ...$result->groundClasses($band->band)])
            data-band="{{ $band->band->key }}">
            @if (isset($result->grounds[$band->band->key]))
                <div class="ground">@include('site.picture', [
                    'media' => $result->grounds[$band->band->key], 'alt' => '', 'sizes' => '100vw', 'lazy' => false,
                ])</div>
            @endif
            <div class="band-slots">
                @foreach ($band->slots as $slot)
                    <div class="slot share-{{ $slot->slot->share }}">
                        @foreach ($slot->blocks as $block){!! $block->html !!}@endforeach
                    </div>
                @endforeach
            </div>
        </div>
    @endforeach
    @if (isset($signInTo))
        @include('site.account.sign-in-form', ['to' => $signInTo, 'email' => '', 'fault' => ''])
    @endif
@endsection

@extends('site.layout')
@section('title', 'Search')
@push('scripts')
    @vite(['resources/js/site/search.ts'])
@endpush
@section('head')
    <meta name="robots" content="noindex">
@endsection
@section('content')
    <div class="page-head">
        <h1>Search</h1>
        <form class="search-box search-large" action="/search" role="search">
            <input type="search" name="q" value="{{ $words }}" maxlength="200" aria-label="Words to look for">
            <button type="submit">Search</button>
        </form>
    </div>
    @isset($found)
        @if ($types !== [] && count($types) > 2)
            <ul class="choice-buttons" aria-label="Only these">
                @foreach ($types as $one)
                    <li><a href="{{ $one['address'] }}" @if ($one['isChosen']) aria-current="true" @endif>{{
                        $one['words'] }} <span class="n">{{ $one['count'] }}</span></a></li>
                @endforeach
            </ul>
        @endif
        @if ($total > 0)
            <p class="found">{{ $total === 1 ? 'One page' : "{$total} pages" }} found for “{{ $words }}”.</p>
            <ol class="found-list" id="found">
                @foreach ($found as $one)
                    <li>
                        <h2><a href="{{ $one['address'] }}">@include('site.marked', [
                            'pieces' => $one['title'],
                        ])</a></h2>
                        <p class="found-kind">{{ $one['kind'] }}</p>
                        @if ($one['text'] !== [])<p>@include('site.marked', ['pieces' => $one['text']])</p>@endif
                    </li>
                @endforeach
            </ol>
            @includeWhen($pages !== null, 'site.pages.numbered', ['shown' => $pages, 'module' => $pages?->module])
        @else
            <div class="nothing">
                <p>Nothing on this site holds “{{ $words }}”.</p>
                @if ($near !== null)
                    <p>
                        Did you mean
                        <a href="/search?{{ http_build_query(['q' => $near]) }}"><em>{{ $near }}</em></a>?
                    </p>
                @else
                    <p>Fewer words may find more; a word that ends in * finds all that begin with it.</p>
                @endif
            </div>
        @endif
    @endisset
@endsection

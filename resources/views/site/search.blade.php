@use('App\Wording\SiteText')
@extends('site.layout')
@section('title', SiteText::plain('search.title'))
@push('scripts')
    @vite(['resources/js/site/search.ts'])
@endpush
@section('head')
    <meta name="robots" content="noindex">
@endsection
@section('content')
    <div class="page-head">
        <h1>@say('search.title')</h1>
        <form class="search-box search-large" action="/search" role="search">
            <input type="search" name="q" value="{{ $words }}" maxlength="200" aria-label="@plain('search.words')">
            <button type="submit">@say('search.title')</button>
        </form>
    </div>
    @isset($found)
        @if ($types !== [] && count($types) > 2)
            <ul class="choice-buttons" aria-label="@plain('search.only')">
                @foreach ($types as $one)
                    <li><a href="{{ $one['address'] }}" @if ($one['isChosen']) aria-current="true" @endif>{{
                        $one['words'] }} <span class="n">{{ $one['count'] }}</span></a></li>
                @endforeach
            </ul>
        @endif
        @if ($total > 0)
            <p class="found">@say('search.found', ['n' => $total, 'words' => $words])</p>
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
                <p>@say('search.nothing', ['words' => $words])</p>
                @if ($near !== null)
                    <p>
                        @say('search.didYouMean', ['words' => new Illuminate\Support\HtmlString(
                            '<a href="/search?'.e(http_build_query(['q' => $near])).'"><em>'.e($near).'</em></a>',
                        )])
                    </p>
                @else
                    <p>@say('search.advice')</p>
                @endif
            </div>
        @endif
    @endisset
@endsection

@extends('site.layout')
@section('title', 'Search')
@section('content')
    <div class="page-head">
        <h1>Search</h1>
        <form class="search" action="/search" role="search">
            <label for="search-words">Words to look for</label>
            <input id="search-words" type="search" name="q" value="{{ $words }}" maxlength="200">
            <button type="submit">Search</button>
        </form>
    </div>
    @if ($html !== '')
        <p class="found">{{ $total === 1 ? 'One page' : "{$total} pages" }} found for “{{ $words }}”.</p>
        {!! $html !!}
    @elseif ($words !== '')
        <p class="nothing">
            Nothing on this site holds “{{ $words }}”. Fewer words may find more; a word that ends in * finds all that
            begin with it.
        </p>
    @endif
@endsection

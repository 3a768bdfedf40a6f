@extends('site.layout')
@section('title', $page->address === '/' ? '' : $page->title)
@section('content')
    <div class="page-head">
        <h1>{{ $page->title }}</h1>
        @if ($page->intro !== '')<p class="intro">{{ $page->intro }}</p>@endif
    </div>
    @foreach ($modules as $shown)
        @include('site.module', ['shown' => $shown])
    @endforeach
@endsection

@use('App\Wording\SiteText')
@extends('site.layout')
@section('title', SiteText::plain('error.notFound'))
@section('content')
    <div class="page-head">
        <h1>@say('error.nothingHere')</h1>
        <p class="intro">@say('error.mayHaveMoved') <a href="/">@say('error.toHome')</a>.</p>
    </div>
@endsection

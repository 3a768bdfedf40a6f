@extends('site.layout')
@section('title', 'Not found')
@section('content')
    <div class="page-head">
        <h1>There is nothing at this address</h1>
        <p class="intro">It may have moved, or it may not be out yet. <a href="/">Go to the home page</a>.</p>
    </div>
@endsection

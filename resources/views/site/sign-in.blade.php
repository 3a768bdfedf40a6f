@extends('site.layout')
@section('title', 'Sign in')
@section('content')
    <div class="page-head">
        <h1>This page is for members</h1>
        <p class="intro"><a href="/manage/sign-in">Sign in</a> to read it.</p>
    </div>
@endsection

@extends('site.layout')
@section('title', 'Sign up')
@section('content')
    <div class="page-head">
        <h1>Sign up</h1>
        <p class="intro">You are sent a link under which you choose a password.</p>
    </div>
    @include('site.account.link-form', ['asksName' => true, 'button' => 'Sign up'])
@endsection

@extends('site.layout')
@section('title', 'A new password')
@section('content')
    <div class="page-head">
        <h1>A new password</h1>
        <p class="intro">You are sent a link under which you choose another.</p>
    </div>
    @include('site.account.link-form', ['asksName' => false, 'button' => 'Send the link'])
@endsection

@extends('site.layout')
@section('title', 'Your account')
@section('content')
    <div class="page-head">
        <h1>{{ $person->name }}</h1>
        <p class="intro">You are signed in with {{ $person->email }}.</p>
    </div>
    <form class="account-form" method="post" action="/account/sign-out">
        <input type="hidden" name="_token" value="{{ csrf_token() }}">
        <p>
            @if ($person->role !== 'member')<a href="/manage">Manage the site</a>@endif
            <a href="/account/password">Choose another password</a>
        </p>
        <button>Sign out</button>
    </form>
@endsection

@use('App\Wording\SiteText')
@extends('site.layout')
@section('title', SiteText::plain('account.own'))
@section('content')
    <div class="page-head">
        <h1>{{ $person->name }}</h1>
        <p class="intro">@say('account.signedInWith', ['email' => $person->email])</p>
    </div>
    <form class="account-form" method="post" action="/account/sign-out">
        <input type="hidden" name="_token" value="{{ csrf_token() }}">
        <p>
            @if ($person->role !== 'member')<a href="/manage">@say('account.manage')</a>@endif
            <a href="/account/password">@say('account.another')</a>
        </p>
        <button>@say('account.signOut')</button>
    </form>
@endsection

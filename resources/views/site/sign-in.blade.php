@use('App\Wording\SiteText')
@extends('site.layout')
@section('title', SiteText::plain('account.signIn'))
@section('content')
    <div class="page-head">
        <h1>@say('account.forMembers')</h1>
        <p class="intro">@say('account.signInToRead')</p>
    </div>
    @include('site.account.sign-in-form', ['to' => $address, 'email' => '', 'fault' => ''])
@endsection

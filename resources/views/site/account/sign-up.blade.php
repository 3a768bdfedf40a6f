@use('App\Wording\SiteText')
@extends('site.layout')
@section('title', SiteText::plain('account.signUp'))
@section('content')
    <div class="page-head">
        <h1>@say('account.signUp')</h1>
        <p class="intro">@say('account.signUpAbout')</p>
    </div>
    @include('site.account.link-form', ['asksName' => true, 'button' => SiteText::plain('account.signUp')])
@endsection

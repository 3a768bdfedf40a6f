@use('App\Wording\SiteText')
@extends('site.layout')
@section('title', SiteText::plain('account.newPassword'))
@section('content')
    <div class="page-head">
        <h1>@say('account.newPassword')</h1>
        <p class="intro">@say('account.newPasswordAbout')</p>
    </div>
    @include('site.account.link-form', ['asksName' => false, 'button' => SiteText::plain('account.sendLink')])
@endsection

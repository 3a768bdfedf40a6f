@use('App\Wording\SiteText')
@use('App\Http\RequestText')
@extends('site.layout')
@section('title', SiteText::plain('account.signIn'))
@section('content')
    <div class="page-head"><h1>@say('account.signIn')</h1></div>
    @include('site.account.sign-in-form', [
        'to' => $to, 'email' => RequestText::old(request(), 'email'), 'fault' => $errors->first('email'),
    ])
@endsection

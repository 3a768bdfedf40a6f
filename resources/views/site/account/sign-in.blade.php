@use('App\Http\RequestText')
@extends('site.layout')
@section('title', 'Sign in')
@section('content')
    <div class="page-head"><h1>Sign in</h1></div>
    @include('site.account.sign-in-form', [
        'to' => $to, 'email' => RequestText::old(request(), 'email'), 'fault' => $errors->first('email'),
    ])
@endsection

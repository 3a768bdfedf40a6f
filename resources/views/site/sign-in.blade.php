@extends('site.layout')
@section('title', 'Sign in')
@section('content')
    <div class="page-head">
        <h1>This page is for members</h1>
        <p class="intro">Sign in to read it.</p>
    </div>
    @include('site.account.sign-in-form', ['to' => $address, 'email' => '', 'fault' => ''])
@endsection

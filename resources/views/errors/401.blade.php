@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.signInFirst'))
@section('advice', SiteText::plain('error.signInFirstAdvice'))

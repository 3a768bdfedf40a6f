@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.notForYou'))
@section('advice', SiteText::plain('error.notForYouAdvice'))

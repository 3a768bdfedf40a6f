@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.cannot'))
@section('advice', SiteText::plain('error.cannotAdvice'))

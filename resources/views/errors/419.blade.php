@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.openTooLong'))
@section('advice', SiteText::plain('error.openTooLongAdvice'))

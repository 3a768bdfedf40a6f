@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.wrong'))
@section('advice', SiteText::plain('error.wrongAdvice'))

@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.tooMany'))
@section('advice', SiteText::plain('error.tooManyAdvice'))

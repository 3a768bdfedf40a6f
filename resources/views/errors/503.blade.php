@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.soon'))
@section('advice', SiteText::plain('error.soonAdvice'))

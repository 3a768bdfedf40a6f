@use('App\Wording\SiteText')
@extends('errors.layout')
@section('title', SiteText::plain('error.tooLarge'))
@section('advice', SiteText::plain('error.tooLargeAdvice'))

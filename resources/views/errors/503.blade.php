@extends('errors.layout')
@section('title', 'Back in a while')
@section('advice', 'The site is being worked on. Try again in a few minutes.')

@extends('errors.layout')
@section('title', 'This page is not for you')
@section('advice', 'Sign in with an account that may see it, or go back.')

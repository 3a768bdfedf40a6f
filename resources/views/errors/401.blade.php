@extends('errors.layout')
@section('title', 'Sign in first')
@section('advice', 'This page is for people with an account.')

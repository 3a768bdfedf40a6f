@extends('errors.layout')
@section('title', 'That was a lot at once')
@section('advice', 'Wait a minute, then try again.')

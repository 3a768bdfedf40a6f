@extends('errors.layout')
@section('title', 'This cannot be done here')
@section('advice', 'Go back, or start at the front page.')

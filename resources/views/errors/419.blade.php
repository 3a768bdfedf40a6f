@extends('errors.layout')
@section('title', 'This page was open for too long')
@section('advice', 'Go back, load it again, and send it once more.')

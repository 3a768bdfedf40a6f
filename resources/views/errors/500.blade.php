@extends('errors.5xx')

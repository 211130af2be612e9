"""Air and heat: what opens, how hot a still day gets, and the heater for the coldest night."""

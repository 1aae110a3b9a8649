"""What holds the axle of a motor in the hub against its torque."""

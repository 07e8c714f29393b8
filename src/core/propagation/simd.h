// SPDX-License-Identifier: GPL-3.0-or-later
// Which instruction set the fast loops use. Chosen by what the machine has; the results agree within 0.01 dB.
#pragma once
#include <string>
#include <vector>

namespace yemvo {

/// What the loops use now: "AVX-512", "AVX2", "SSE4" or "baseline".
std::string instruction_set();
/// What this machine could use, best first.
std::vector<std::string> instruction_sets();
/// Uses that one from now on, for comparison; an empty name goes back to the best. Not while a prediction
/// runs.
void use_instruction_set(const std::string& name);

}  // namespace yemvo

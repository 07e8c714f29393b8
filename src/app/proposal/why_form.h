// SPDX-License-Identifier: GPL-3.0-or-later
// What Details tell of an access point that is proposed.
#pragma once
#include <functional>

namespace yemvo::app {

class Form;
class WhyAsked;
class Workspace;

/// Of the one that is chosen. `take`: that one alone is wanted.
Form* why_form(Workspace&, WhyAsked&, std::function<void()> take);

}  // namespace yemvo::app

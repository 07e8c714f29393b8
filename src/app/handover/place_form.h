// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace yemvo::app {

class Form;
class Workspace;

/// Where on Earth the site's origin lies and how the site is turned; empty fields: not known.
Form* place_form(Workspace&);

}  // namespace yemvo::app

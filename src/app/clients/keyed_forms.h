// SPDX-License-Identifier: GPL-3.0-or-later
// The forms of a client profile, an application, a network. Each is of what has this key; it must exist while
// the form is refreshed.
#pragma once
#include <string>

class QWidget;

namespace yemvo::app {

class Form;
class Workspace;

Form* client_form(Workspace&, QWidget* parent, const std::string& key);
Form* application_form(Workspace&, QWidget* parent, const std::string& key);
Form* network_form(Workspace&, QWidget* parent, const std::string& key);

}  // namespace yemvo::app

// SPDX-License-Identifier: GPL-3.0-or-later
// Client profiles and applications as a file of their own: a person's library, kept for other projects.
// Shape: docs/format/README.md, Libraries.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "demand/application.h"
#include "gear/client.h"

namespace yemvo {

struct Project;

struct ClientLibrary {
    std::vector<ClientProfile> clients;
    std::vector<Application> applications;
    bool empty() const { return clients.empty() && applications.empty(); }
    friend bool operator==(const ClientLibrary&, const ClientLibrary&) = default;
};

std::string clients_to_json(const ClientLibrary&);
/// `name`: of the file, for messages. Throws Error.
ClientLibrary clients_from_json(std::string_view text, const std::string& name);

/// In place of those with the same key.
void put(ClientLibrary&, const ClientProfile&);
void put(ClientLibrary&, const Application&);

/// Those that the project does not have, and those that it has by that key and otherwise.
ClientLibrary unknown_of(const ClientLibrary&, const Project&);
/// Adds them: under their own key where that is free, else under a new one. Throws Error where there would be
/// too many.
void add_library(Project&, const ClientLibrary&);

}  // namespace yemvo

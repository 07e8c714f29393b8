// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/note.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Note& n) {
    text("text", mark("text"), n.text, limits::words);
    place("position", mark("place"), n.position, limits::coordinate_m);
    text("photo", mark("photo's file name"), n.photo, limits::name);
}

Json KindOf<Note>::write(const Note& n) {
    Json json{
        {"id", n.id.value}, {"text", n.text}, {"position", write_point(n.position)}, {"photo", n.photo}};
    write_group(json, n.group);
    return json;
}

Note KindOf<Note>::read(const Reader& r) {
    return r.kept(Note{r.at("id").id<NoteId>(), r.at("text").text(), read_point(r.at("position")),
                       r.at("photo").text(), read_group(r)});
}

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
// What one part of the window asks for that another one does, neither knowing the other.
#pragma once
#include <QObject>

#include "base/id.h"
#include "project/item.h"
#include "venue/listening_place.h"

namespace yemvo::app {

class Wishes : public QObject {
    Q_OBJECT
signals:
    void type_page(yemvo::WallTypeId);       ///< the page of types with this one chosen
    void candidates();                       ///< candidates for what is selected, side by side
    void gear_page(yemvo::ModelId);          ///< the page of gear with this model chosen
    void findings();                         ///< the findings, in front
    void fit_plan();                         ///< the whole floor in view
    void choose_drawing();                   ///< a file is asked for and laid under the floor in view
    void choose_revision(yemvo::DrawingId);  ///< a newer revision of a drawing
    void prepare_drawing(yemvo::DrawingId);  ///< a drawing that is laid, on the preparation page again
    void choose_photo(
        const yemvo::Item&);             ///< a file is asked for and kept with the note, or what hangs there
    void hear(yemvo::ListeningPlaceId);  ///< a file of what was heard is asked for and put down there
    void write_heard(yemvo::ListeningPlaceId);  ///< what was heard there, into a table
    void client_height();                       ///< the field for it, in front
    void paste_drawing();                       ///< what the clipboard holds is no part of a plan
};

}  // namespace yemvo::app

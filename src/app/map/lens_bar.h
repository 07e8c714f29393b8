// SPDX-License-Identifier: GPL-3.0-or-later
// Which quantity the map shows, for which bands, radios and client, and how it is coloured.
#pragma once
#include <QWidget>
#include <optional>
#include <vector>

#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "render/map_choice.h"

class QComboBox;
class QToolButton;
class QLabel;
class QMenu;

namespace yemvo::app {

class LensBar : public QWidget {
    Q_OBJECT
public:
    explicit LensBar(Workspace&, QWidget* parent = nullptr);
    /// What its last button opens.
    void set_colouring(QMenu*);

private:
    QToolButton* segment(const QString& text, const QString& tip);
    void add_bands();
    void add_radios();
    void add_tints();
    void add_proposal();
    void add_colouring();
    void fill_ticks(QMenu*);
    void refresh();
    int beyond_usual_words() const;
    /// What it shows; a drag that changes none of it lays nothing out anew.
    struct Shown {
        render::MapChoice map;
        RadiosShown radios = RadiosShown::all;
        bool on = false, site = false, narrow = false, tight = false, crowded = false;
        std::string client, height;
        const void* clients = nullptr;
        const void* drawings = nullptr;
        DrawingId drawing;
        QString coarser;
        bool roomy = false;
        bool demand = false;
        render::DemandTint tint = render::DemandTint::people;
        bool proposal = false;
        friend bool operator==(const Shown&, const Shown&) = default;
    };
    std::optional<Shown> shown_;
    QString coarser_grid() const;
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void changeEvent(QEvent*) override;
    Workspace& workspace_;
    QComboBox *lens_, *client_;
    std::vector<QToolButton*> bands_, radios_, tints_, proposal_;
    QToolButton *colouring_, *height_;
    QLabel *for_, *words_, *a_m2_;
};

}  // namespace yemvo::app

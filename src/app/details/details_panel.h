// The properties of what is selected; of the floor when nothing is; of what a tool draws with while it draws.
#pragma once
#include <QScrollArea>

#include "app/model/workspace.h"

namespace yemvo::app {

class Form;

class DetailsPanel : public QWidget {
    Q_OBJECT
public:
    static constexpr int usual_width = 288;
    explicit DetailsPanel(Workspace&, QWidget* parent = nullptr);

signals:
    void drawing_asked();
    void revision_asked(yemvo::DrawingId);
    void prepare_asked(yemvo::DrawingId);
    void photo_asked(yemvo::NoteId);
    void types_asked(yemvo::WallTypeId);

private:
    void rebuild();
    void refresh();
    /// What decides which rows there are.
    QString shape() const;
    Workspace& workspace_;
    QScrollArea* scroll_;
    Form* form_ = nullptr;
    QString shape_;
};

}  // namespace yemvo::app

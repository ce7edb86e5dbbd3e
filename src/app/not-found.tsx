const NotFound = () => (
  <div className="empty">
    <p className="empty-title">No such page</p>
    <p className="quiet">The steps of the work are at the left: Kit, Plan, Judge, Log, Hand-off.</p>
  </div>
);

export default NotFound;
